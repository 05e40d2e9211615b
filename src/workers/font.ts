import { readFont } from '@/files/type';

let font: Promise<ReturnType<typeof readFont>> | undefined;

/** The face that files are lettered in, from the app's own server. */
export function loadFont() {
  return (font ??= fetch(new URL('/fonts/archivo-narrow.woff', self.location.origin))
    .then((answer) => answer.arrayBuffer())
    .then(readFont));
}
