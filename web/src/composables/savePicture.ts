import { m } from '../messages/index.ts';
import { saveAs } from './saveAs.ts';

/** Pixels of a picture for each of the screen: sharp on paper at twice the size. */
const SHARPNESS = 3;
/** What a drawing takes from the page's style sheet, written into it so that it stands alone. */
const STYLES = [
  'fill',
  'fill-opacity',
  'stroke',
  'stroke-width',
  'stroke-opacity',
  'stroke-dasharray',
  'stroke-linecap',
  'stroke-linejoin',
  'opacity',
  'font-family',
  'font-size',
  'font-weight',
  'text-anchor',
  'dominant-baseline',
  'visibility',
] as const;

/** A drawing as SVG text that needs no page around it. */
export function svgText(drawing: SVGSVGElement): string {
  const copy = drawing.cloneNode(true) as SVGSVGElement;
  const [from, to] = [drawing, copy].map((one) => [one, ...one.querySelectorAll('*')]);
  from!.forEach((element, i) => {
    const style = getComputedStyle(element);
    for (const name of STYLES) {
      const value = style.getPropertyValue(name);
      if (value) to![i]!.setAttribute(name, value);
    }
    to![i]!.removeAttribute('class');
  });
  // Grips are for hands, not for a picture.
  for (const grip of copy.querySelectorAll('[role=slider], [tabindex]')) grip.remove();
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  return `<?xml version="1.0" encoding="UTF-8"?>\n${new XMLSerializer().serializeToString(copy)}`;
}

/** Saves a drawing or a chart as a file. @throws Error in words when the browser cannot */
export async function savePicture(
  picture: SVGSVGElement | HTMLCanvasElement,
  name: string,
  kind: 'svg' | 'png',
): Promise<void> {
  const file = `${name.replace(/[^\p{L}\p{N}-]+/gu, '-').toLowerCase()}.${kind}`;
  if (picture instanceof HTMLCanvasElement) return saveAs(await pngOf(onPaper(picture)), file);
  const text = svgText(picture);
  const drawing = new Blob([text], { type: 'image/svg+xml' });
  saveAs(kind === 'svg' ? drawing : await pngOf(await drawn(text, picture)), file);
}

/** A chart is drawn on nothing: paper is put behind it. */
function onPaper(chart: HTMLCanvasElement): HTMLCanvasElement {
  const canvas = blank(chart.width, chart.height);
  canvas.getContext('2d')!.drawImage(chart, 0, 0);
  return canvas;
}
async function drawn(svg: string, { clientWidth, clientHeight }: SVGSVGElement) {
  const image = new Image();
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`;
  await image.decode();
  const canvas = blank(clientWidth * SHARPNESS, clientHeight * SHARPNESS);
  canvas.getContext('2d')!.drawImage(image, 0, 0, canvas.width, canvas.height);
  return canvas;
}
function blank(width: number, height: number): HTMLCanvasElement {
  const canvas = document.createElement('canvas');
  Object.assign(canvas, { width, height });
  const context = canvas.getContext('2d')!;
  context.fillStyle = getComputedStyle(document.body).backgroundColor || '#ffffff';
  context.fillRect(0, 0, width, height);
  return canvas;
}
function pngOf(canvas: HTMLCanvasElement): Promise<Blob> {
  return new Promise((resolve, reject) =>
    canvas.toBlob(
      (blob) => (blob ? resolve(blob) : reject(new Error(m.error.unknown))),
      'image/png',
    ),
  );
}
