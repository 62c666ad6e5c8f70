import { keepFile } from "./keepFile";

/** Charts as pictures: colours and letters as they are seen, in a file of their own. */

const COPIED = [
  "fill",
  "stroke",
  "stroke-width",
  "stroke-dasharray",
  "font-family",
  "font-size",
  "font-weight",
  "fill-opacity",
] as const;
const TITLE_HEIGHT = 20;
const SCALE = 2;

/** The chart with its computed look written into it, so that it stands without the page's style sheets. */
function standalone(svg: SVGSVGElement): SVGSVGElement {
  const copy = svg.cloneNode(true) as SVGSVGElement;
  const originals = [svg, ...svg.querySelectorAll<SVGElement>("*")];
  const copies = [copy, ...copy.querySelectorAll<SVGElement>("*")];
  originals.forEach((original, i) => {
    const seen = getComputedStyle(original);
    const target = copies[i];
    for (const name of COPIED) target?.setAttribute(name, seen.getPropertyValue(name));
    target?.removeAttribute("class");
  });
  return copy;
}

/** Charts under one another, each under its title. */
function stacked(charts: readonly { title: string; svg: SVGSVGElement }[]): {
  xml: string;
  width: number;
  height: number;
} {
  const space = "http://www.w3.org/2000/svg";
  const whole = document.createElementNS(space, "svg");
  const ground = getComputedStyle(document.documentElement).getPropertyValue("--color-base-200");
  const ink = getComputedStyle(document.body).color;
  const font = getComputedStyle(document.body).fontFamily;
  let [width, height] = [0, 0];
  for (const { title, svg } of charts) {
    const { width: w, height: h } = svg.viewBox.baseVal;
    const words = document.createElementNS(space, "text");
    words.textContent = title;
    for (const [name, value] of Object.entries({
      x: "6",
      y: String(height + 14),
      fill: ink,
      "font-family": font,
      "font-size": "13",
      "font-weight": "700",
    }))
      words.setAttribute(name, value);
    const copy = standalone(svg);
    for (const [name, value] of Object.entries({
      x: "0",
      y: String(height + TITLE_HEIGHT),
      width: String(w),
      height: String(h),
    }))
      copy.setAttribute(name, value);
    whole.append(words, copy);
    width = Math.max(width, w);
    height += h + TITLE_HEIGHT;
  }
  whole.setAttribute("viewBox", `0 0 ${width} ${height}`);
  whole.setAttribute("width", String(width));
  whole.setAttribute("height", String(height));
  const paper = document.createElementNS(space, "rect");
  for (const [name, value] of Object.entries({ width: "100%", height: "100%", fill: ground.trim() }))
    paper.setAttribute(name, value);
  whole.prepend(paper);
  return { xml: new XMLSerializer().serializeToString(whole), width, height };
}

/** Saves charts as one SVG file. */
export function keepSvg(name: string, charts: readonly { title: string; svg: SVGSVGElement }[]): void {
  keepFile(`${name}.svg`, new Blob([stacked(charts).xml], { type: "image/svg+xml" }));
}

/** Saves charts as one PNG file, twice as fine as the drawing. */
export async function keepPng(
  name: string,
  charts: readonly { title: string; svg: SVGSVGElement }[],
): Promise<void> {
  const { xml, width, height } = stacked(charts);
  const image = new Image();
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(xml)}`;
  await image.decode();
  const canvas = document.createElement("canvas");
  [canvas.width, canvas.height] = [width * SCALE, height * SCALE];
  canvas.getContext("2d")?.drawImage(image, 0, 0, canvas.width, canvas.height);
  const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, "image/png"));
  if (blob) keepFile(`${name}.png`, blob);
}
