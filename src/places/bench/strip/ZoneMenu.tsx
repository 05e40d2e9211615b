'use client';
import { MenuLine, VerbMenu } from '@/ui/Menu';
import type { Live } from '../live/useLive';

/** Where a fill or a repeat lies: the whole face, or one zone of it. */
export function ZoneMenu({
  live,
  zoneId,
  onZone,
}: {
  live: Live;
  zoneId: string | null;
  onZone: (zoneId: string | null) => void;
}) {
  const { zones } = live.face;
  if (zones.length < 2) return null;
  const zone = zones.find(({ id }) => id === zoneId);
  return (
    <VerbMenu label={zone ? `over the ${zone.name}…` : 'over the whole face…'}>
      <MenuLine
        onSelect={() => {
          onZone(null);
        }}
      >
        the whole face, out to the bleed
      </MenuLine>
      {zones.map(({ id, name }) => (
        <MenuLine
          key={id}
          onSelect={() => {
            onZone(id);
          }}
        >
          the {name}
        </MenuLine>
      ))}
    </VerbMenu>
  );
}
