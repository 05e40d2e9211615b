import { asPrinted, latticeOf } from '@/core/colour/bake';
import { readIcc } from '@/core/colour/icc';
import type { Cmyk } from '@/core/colour/palette';
import type { Engine } from './engine';
import { bytesOf, PROFILE, scoped, type Image, type Keep, type VipsModule } from './vips';

/** Where the engine finds a profile: in its own file system, which is in its memory; its types leave it out. */
export function pressFile(vips: VipsModule, profile: { bytes: Uint8Array } | null): string {
  if (!profile) return 'cmyk';
  const { FS } = vips as unknown as { FS: { writeFile: (path: string, bytes: Uint8Array) => void } };
  FS.writeFile('/press.icc', profile.bytes);
  return '/press.icc';
}

/** What printing profiles make of colours, and of inks. */
export function presses(
  vips: VipsModule,
): Pick<Engine, 'inksOf' | 'inksOfPixels' | 'bakePress' | 'colourOfInks' | 'pressProfile' | 'screenProfile'> {
  /** L* of black ink alone, without black point compensation and with it. */
  function blackOf(keep: Keep, press: string): [number, number] {
    const solid = keep(vips.Image.newFromMemory(SOLID_BLACK, 1, 1, 4, vips.BandFormat.ushort));
    const black = keep(solid.copy({ interpretation: 'cmyk' }));
    const lightness = (compensated: boolean) =>
      keep(
        black.iccImport({
          input_profile: press,
          intent: 'relative',
          black_point_compensation: compensated,
          pcs: 'lab',
        }),
      ).getpoint(0, 0)[0]!;
    return [lightness(false), lightness(true)];
  }

  /** A profile that the engine has of its own, as it embeds it. */
  function ownProfile(of: 'cmyk' | 'srgb'): Uint8Array {
    return scoped('profile', (keep) => {
      const dot = keep(vips.Image.newFromMemory(new Uint8Array(3), 1, 1, 3, vips.BandFormat.uchar));
      const made = keep(
        keep(dot.copy({ interpretation: 'srgb' })).iccTransform(of, { input_profile: 'srgb' }),
      );
      return made.getBlob(PROFILE).slice();
    });
  }

  function inksOfPixels(rgb: Uint8Array): Uint8Array {
    return scoped('palette', (keep) => {
      if (rgb.length === 0) return new Uint8Array(0);
      const bare = keep(vips.Image.newFromMemory(rgb, rgb.length / 3, 1, 3, vips.BandFormat.uchar));
      const image = keep(bare.copy({ interpretation: 'srgb' }));
      const settings = { input_profile: 'srgb', black_point_compensation: true };
      return bytesOf(keep(image.iccTransform('cmyk', settings)));
    });
  }

  return {
    inksOf: (colours) => {
      const inks = inksOfPixels(Uint8Array.from(colours.flat()));
      return colours.map(
        (_, i) => Array.from(inks.subarray(i * 4, i * 4 + 4), (ink) => ink / 255) as unknown as Cmyk,
      );
    },

    inksOfPixels,

    bakePress: (profile, intent) =>
      scoped(profile?.name ?? SHIPPED_PRESS, (keep) => {
        const press = pressFile(vips, profile);
        // Lab, since the engine's own way from sRGB goes through a table that is coarse for shadows.
        const lattice = latticeOf(PRESS_SIZE);
        const bare = keep(vips.Image.newFromMemory(lattice, lattice.length / 3, 1, 3, vips.BandFormat.float));
        const inks = keep(
          keep(bare.copy({ interpretation: 'lab' })).iccExport({
            output_profile: press,
            depth: 16,
            intent,
            black_point_compensation: intent === 'relative',
          }),
        );
        const ink = levelsOf(inks);
        const own = readIcc(inks.getBlob(PROFILE).slice());
        const levels = asPrinted(own, lattice, ink, intent, ...blackOf(keep, press));
        return { name: profile?.name ?? SHIPPED_PRESS, intent, size: PRESS_SIZE, ink, ...levels };
      }),

    colourOfInks: (inks, profile) =>
      scoped(profile?.name ?? SHIPPED_PRESS, (keep) => {
        const own = readIcc(profile?.bytes ?? ownProfile('cmyk'));
        const ink = Uint16Array.from(inks, (share) => Math.round(share * 65535));
        const black = blackOf(keep, pressFile(vips, profile));
        const { proof } = asPrinted(own, new Float32Array(3), ink, 'relative', ...black);
        return [proof[0]! / 257, proof[1]! / 257, proof[2]! / 257];
      }),

    pressProfile: () => ownProfile('cmyk'),
    screenProfile: () => ownProfile('srgb'),
  };
}

/** Corners along each axis of a press's lattice: one at every fifth level. */
const PRESS_SIZE = 52;
/** What the shipped printing profile is called. */
const SHIPPED_PRESS = 'Process inks, shipped';

/** K alone, 16 bits an ink. */
const SOLID_BLACK = Uint16Array.of(0, 0, 0, 65535);

/** The levels of a 16-bit image, out of the engine's memory. */
function levelsOf(image: Image): Uint16Array {
  const bytes = image.writeToMemory();
  return new Uint16Array(bytes.buffer, bytes.byteOffset, bytes.byteLength / 2).slice();
}
