import { bytesSource } from '@/core/formats/source';
import { measureArtwork } from '@/files/artwork';
import { loadBrowserEngine } from '@/imaging/browser';

/** One of the workers that files are measured in, as the app's own: asked for a file at a time, it answers when done. */
const engine = await loadBrowserEngine(self.location.origin);
const readers = { engine, drawPage: () => Promise.reject(new Error('no page is drawn here')) };

self.onmessage = async ({ data }: MessageEvent<{ name: string; file: Blob }>) => {
  const source = bytesSource(new Uint8Array(await data.file.arrayBuffer()));
  const { preview } = await measureArtwork(readers, { name: data.name, source });
  engine.encodePng(preview, { ppi: 72, use: 'preview' });
  postMessage('measured');
};
postMessage('ready');
