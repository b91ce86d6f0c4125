/** Names of custom properties in a text, replaced by what they stand for on this page. */
function resolved(text: string): string {
  const style = getComputedStyle(document.documentElement);
  return text.replace(
    /var\((--[\w-]+)\)/g,
    (_whole, name: string) => style.getPropertyValue(name).trim() || "#000",
  );
}

/** Room under a drawing for each line of its caption, and the size of its letters, mm. */
const captionMm = { line: 5, letter: 3.4 } as const;

/**
 * A drawing as the text of an SVG file that stands by itself: whole, without the page's colours by name.
 * @param caption lines that stand under it
 */
export function drawingText(
  drawing: SVGSVGElement,
  viewBox: string,
  caption: readonly string[] = [],
): string {
  const copy = drawing.cloneNode(true) as SVGSVGElement;
  const [x = 0, y = 0, width = 100, whole = 100] = viewBox.split(" ").map(Number);
  const height = whole + caption.length * captionMm.line;
  caption.forEach((line, at) => {
    const text = document.createElementNS("http://www.w3.org/2000/svg", "text");
    text.setAttribute("x", String(x + 2));
    text.setAttribute("y", String(y + whole + (at + 0.7) * captionMm.line));
    text.setAttribute("font-size", String(captionMm.letter));
    text.setAttribute("font-family", "sans-serif");
    text.setAttribute("fill", "#111");
    text.textContent = line;
    copy.append(text);
  });
  copy.setAttribute("xmlns", "http://www.w3.org/2000/svg");
  copy.setAttribute("viewBox", [x, y, width, height].join(" "));
  copy.setAttribute("width", `${width}mm`);
  copy.setAttribute("height", `${height}mm`);
  copy.removeAttribute("class");
  for (const part of copy.querySelectorAll("[tabindex]")) part.removeAttribute("tabindex");
  return resolved(new XMLSerializer().serializeToString(copy));
}

/** The bench on this page as the text of an SVG file; undefined where none is shown. */
export function drawingOnPage(): string | undefined {
  const frame = document.querySelector<HTMLElement>("[data-drawing]");
  const drawing = frame?.querySelector("svg");
  return drawing ? drawingText(drawing, frame?.dataset.drawing ?? "") : undefined;
}

/** Hands a text to the browser as a file to save. */
export function saveText(name: string, type: string, text: string): void {
  const address = URL.createObjectURL(new Blob([text], { type }));
  const link = document.createElement("a");
  link.href = address;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(address), 1_000);
}
