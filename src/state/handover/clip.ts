import { UpFitError } from '@/core/errors';
import type { JobOptions } from '@/workers/client';

/** Kinds of clips, the one that most pages take first. */
const TYPES = [
  { mime: 'video/mp4;codecs=avc1.42E01F', ending: 'mp4' },
  { mime: 'video/webm;codecs=vp9', ending: 'webm' },
  { mime: 'video/webm', ending: 'webm' },
] as const;

/** Bits a second: enough that letters stay sharp. */
const BITS = 8_000_000;

/** What this browser can record; null where it records nothing of the kind. */
export function clipType(): (typeof TYPES)[number] | null {
  if (typeof MediaRecorder === 'undefined' || typeof ImageDecoder === 'undefined') return null;
  return TYPES.find(({ mime }) => MediaRecorder.isTypeSupported(mime)) ?? null;
}

/** Records a moving WebP as a clip of one turn, each of its pictures for `delay` ms, as long as that takes to play. */
export async function recordClip(
  moving: Blob,
  delay: number,
  { signal, onProgress }: Required<JobOptions>,
): Promise<Blob> {
  const type = clipType();
  if (!type) throw new UpFitError('unsupported', 'This browser records no clips: take a GIF or a WebP.');
  const decoder = new ImageDecoder({ data: await moving.arrayBuffer(), type: moving.type });
  try {
    await decoder.tracks.ready;
    await decoder.completed;
    const count = decoder.tracks.selectedTrack?.frameCount ?? 0;
    const first = await decoder.decode({ frameIndex: 0 });
    const canvas = document.createElement('canvas');
    canvas.width = first.image.displayWidth;
    canvas.height = first.image.displayHeight;
    first.image.close();
    const pen = canvas.getContext('2d')!;
    const stream = canvas.captureStream(0);
    const [track] = stream.getVideoTracks() as CanvasCaptureMediaStreamTrack[];
    const recorder = new MediaRecorder(stream, { mimeType: type.mime, videoBitsPerSecond: BITS });
    const parts: Blob[] = [];
    recorder.ondataavailable = ({ data }) => parts.push(data);
    const ended = new Promise<void>((resolve, reject) => {
      recorder.onstop = () => {
        resolve();
      };
      recorder.onerror = () => {
        reject(new UpFitError('unreadable', 'The browser could not record the clip: take a GIF or a WebP.'));
      };
    });
    recorder.start();
    for (let i = 0; i < count && !signal.aborted; i++) {
      const { image } = await decoder.decode({ frameIndex: i });
      pen.drawImage(image, 0, 0);
      image.close();
      track!.requestFrame();
      await new Promise((resolve) => setTimeout(resolve, delay));
      onProgress((i + 1) / count);
    }
    recorder.stop();
    await ended;
    track!.stop();
    signal.throwIfAborted();
    return new Blob(parts, { type: type.mime.split(';')[0]! });
  } finally {
    decoder.close();
  }
}
