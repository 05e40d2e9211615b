import { useMemo } from 'react';
import { CHECK_LIMITS } from '@/core/limits';
import { USUAL_DRESS, type PictureStyle } from '@/core/mockup/schema';
import type { Outlet } from '@/core/price/outlet';
import { settingName, USUAL_NAMING } from '@/state/handover/pictures';
import type { ListingOf } from '@/state/price/listing-pack';
import { Heading } from '@/ui/StripParts';
import { useThumb } from '../pictures/useThumb';

/** A listing's pictures in their order: the first one as it will be seen, the others by name. */
export function ListingPictures({ own, outlet }: { own: ListingOf; outlet: Outlet }) {
  const { pictures, fit } = own;
  const size = outlet.limits.pictureSize ?? { width: 2000, height: 2000 };
  const { width, height } = size;
  const fits = useMemo(() => [fit], [fit]);
  const style = useMemo<PictureStyle>(
    () => ({ width, height, format: 'jpeg', dress: USUAL_DRESS, proof: false, naming: USUAL_NAMING }),
    [width, height],
  );
  const [first] = pictures;
  return (
    <>
      <Heading>
        {pictures.length} {pictures.length === 1 ? 'picture' : 'pictures'} of {width} × {height} px
      </Heading>
      {first ? (
        <First setting={first.wanted.setting} fits={fits} style={style} alt={first.alt} />
      ) : (
        <p className="py-2 text-ink-2">No scene shows it.</p>
      )}
      <ol className="pt-1.5 text-sm">
        {pictures.map(({ wanted, alt }, i) => (
          <li key={i} className="flex gap-2 border-b border-rule py-1">
            <span className="measure w-5 shrink-0 text-ink-2">{i + 1}</span>
            <span className="min-w-0">
              {settingName(wanted.setting)}, {wanted.colour.name}
              <span className="block truncate text-ink-2">{alt}</span>
            </span>
          </li>
        ))}
      </ol>
    </>
  );
}

function First({
  alt,
  ...shown
}: {
  setting: Parameters<typeof useThumb>[0];
  fits: Parameters<typeof useThumb>[1];
  style: PictureStyle;
  alt: string;
}) {
  const { url, read, trouble } = useThumb(shown.setting, shown.fits, shown.style);
  const little = read !== null && read.share < CHECK_LIMITS.readShare;
  return (
    <>
      <div className="mt-2 flex h-[190px] shrink-0 items-center justify-center bg-viewing">
        {url ? (
          <img src={url} alt={alt} className="max-h-full" />
        ) : (
          <p className="text-viewing-ink-2">{trouble ?? 'Drawing it…'}</p>
        )}
      </div>
      {read && (
        <p className={`measure pt-1 text-sm ${little ? 'text-look' : 'text-ink-2'}`}>
          {Math.floor(read.share * 100)} % of “{read.name}” reads in the first picture
          {little && '; turn it or set the headline where it is seen'}
        </p>
      )}
    </>
  );
}
