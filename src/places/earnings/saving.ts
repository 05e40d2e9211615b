/** Pixels that a chart's picture has for each of the screen's. */
const SCALE = 2;

/** A chart as a drawing of its own: what its colours come to is written into it, and a ground lies under it. */
export function chartSvg(svg: SVGSVGElement): string {
  const styles = getComputedStyle(document.documentElement);
  const copy = svg.cloneNode(true) as SVGSVGElement;
  const { width, height } = svg.getBoundingClientRect();
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  copy.setAttribute('viewBox', `0 0 ${width} ${height}`);
  copy.setAttribute('font-family', getComputedStyle(svg).fontFamily);
  copy.setAttribute('font-size', getComputedStyle(svg).fontSize);
  const ground = document.createElementNS('http://www.w3.org/2000/svg', 'rect');
  for (const [key, value] of Object.entries({ width, height, fill: styles.getPropertyValue('--docket') }))
    ground.setAttribute(key, String(value).trim());
  copy.prepend(ground);
  return new XMLSerializer()
    .serializeToString(copy)
    .replace(/var\((--[\w-]+)\)/g, (_, name: string) => styles.getPropertyValue(name).trim());
}

/** A chart as a PNG. */
export async function chartPicture(svg: SVGSVGElement): Promise<Blob> {
  const { width, height } = svg.getBoundingClientRect();
  const address = URL.createObjectURL(new Blob([chartSvg(svg)], { type: 'image/svg+xml' }));
  try {
    const image = new Image();
    image.src = address;
    await image.decode();
    const canvas = new OffscreenCanvas(Math.round(width * SCALE), Math.round(height * SCALE));
    canvas.getContext('2d')!.drawImage(image, 0, 0, canvas.width, canvas.height);
    return await canvas.convertToBlob({ type: 'image/png' });
  } finally {
    URL.revokeObjectURL(address);
  }
}
