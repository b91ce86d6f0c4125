/** Names of custom properties in a text, replaced by what they stand for on this page. */
function resolved(text: string): string {
  const style = getComputedStyle(document.documentElement);
  return text.replace(
    /var\((--[\w-]+)\)/g,
    (_whole, name: string) => style.getPropertyValue(name).trim() || "#000",
  );
}

/** A drawing as the text of an SVG file that stands by itself: whole, without the page's colours by name. */
export function drawingText(drawing: SVGSVGElement, viewBox: string): string {
  const copy = drawing.cloneNode(true) as SVGSVGElement;
  const [, , width = "100", height = "100"] = viewBox.split(" ");
  copy.setAttribute("xmlns", "http://www.w3.org/2000/svg");
  copy.setAttribute("viewBox", viewBox);
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
