import { strToU8, zipSync } from 'fflate';
import { createHash } from 'node:crypto';
import { openZip, ZipMaker } from '@/files/zip';

const sha = (bytes: Uint8Array | string) => createHash('sha256').update(bytes).digest('hex');
const noise = Uint8Array.from({ length: 300_000 }, (_, i) => (i * 7919) % 251);

async function made(): Promise<{ zip: Blob; maker: ZipMaker }> {
  const maker = new ZipMaker();
  await maker.add({ path: 'prints/a.png', data: new Blob([noise]) });
  await maker.add({ path: 'docket.json', data: new Blob(['{"ü":1}'.repeat(500)]) });
  return { zip: await maker.end(), maker };
}

describe('a zip', () => {
  test('comes back byte for byte, each file with the checksum it went in with', async () => {
    const { zip, maker } = await made();
    expect(maker.files).toEqual([
      { path: 'prints/a.png', bytes: noise.length, sha256: sha(noise) },
      { path: 'docket.json', bytes: 4000, sha256: sha('{"ü":1}'.repeat(500)) },
    ]);
    const opened = await openZip('pack.zip', zip);
    expect(opened.paths).toEqual(['prints/a.png', 'docket.json']);
    expect(opened.bytes).toBe(noise.length + 4000);
    const { data, sha256 } = await opened.read('prints/a.png');
    expect(sha256).toBe(sha(noise));
    expect(Buffer.from(await data.arrayBuffer()).equals(Buffer.from(noise))).toBe(true);
    await expect(opened.read('other.png')).rejects.toThrow(/lacks other\.png/);
  });

  test('made twice of the same, is the same', async () => {
    const bytes = async () => Buffer.from(await (await made()).zip.arrayBuffer());
    expect((await bytes()).equals(await bytes())).toBe(true);
  });

  test('is stopped between chunks', async () => {
    const { zip } = await made();
    const opened = await openZip('pack.zip', zip);
    const stop = new Error('stopped');
    await expect(
      opened.read('prints/a.png', () => {
        throw stop;
      }),
    ).rejects.toBe(stop);
  });
});

describe('a zip is refused', () => {
  const zipOf = (files: Record<string, Uint8Array>) => new Blob([zipSync(files) as Uint8Array<ArrayBuffer>]);

  test.each(['../up.txt', 'a/../../up.txt', '/etc/up.txt', 'C:/up.txt', 'a\\..\\up.txt', 'a//b.txt'])(
    'whose path is %s',
    async (path) => {
      await expect(openZip('x.zip', zipOf({ [path]: strToU8('x') }))).rejects.toThrow(
        /leads out of its folder/,
      );
    },
  );

  test('that would swell', async () => {
    const bomb = zipOf({ 'big.bin': new Uint8Array(40 * 1024 * 1024) });
    expect(bomb.size).toBeLessThan(100_000);
    await expect(openZip('x.zip', bomb)).rejects.toThrow(/swell/);
  });

  test('that lies about how large a file becomes', async () => {
    const bytes = Buffer.from(await zipOf({ 'big.bin': new Uint8Array(4 * 1024 * 1024) }).arrayBuffer());
    const central = bytes.indexOf(Buffer.from('PK\x01\x02', 'latin1'));
    bytes.writeUInt32LE(1000, central + 24);
    bytes.writeUInt32LE(1000, 22);
    const opened = await openZip('x.zip', new Blob([bytes]));
    await expect(opened.read('big.bin')).rejects.toThrow(/swell|damaged/);
  });

  test('that is cut short, is something else, or has a byte changed', async () => {
    const { zip } = await made();
    const bytes = Buffer.from(await zip.arrayBuffer());
    await expect(openZip('x.zip', new Blob([bytes.subarray(0, bytes.length - 40)]))).rejects.toThrow(
      /no zip/,
    );
    await expect(openZip('x.zip', new Blob(['hello']))).rejects.toThrow(/no zip/);
    bytes[2000]! ^= 1;
    const opened = await openZip('x.zip', new Blob([bytes]));
    await expect(opened.read('prints/a.png')).rejects.toThrow(/damaged at prints\/a\.png/);
  });
});
