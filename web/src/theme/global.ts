import { createGlobalStyle } from "styled-components";
import { color, font, size } from "./tokens.ts";

/** Page-wide rules: the day and night values of every colour, type, focus. */
export const GlobalStyle = createGlobalStyle`
  :root {
    color-scheme: light dark;
    --ground: #efece3;
    --surface: #fdfbf5;
    --sunk: #e5e1d5;
    --ink: #1a1f1e;
    --quiet: #555d59;
    --line: #d3cec0;
    --strong-line: #79807a;
    --accent: #0d4f4a;
    --on-accent: #fdfbf5;
    --accent-soft: #d5e6e0;
    --danger: #9c2414;
    --danger-soft: #f8dfd8;
    --caution: #7a4f00;
    --caution-soft: #f6e7c4;
    --note: #2d4a66;
    --note-soft: #dde6ee;
    --focus: #b2560d;
  }
  @media (prefers-color-scheme: dark) {
    :root {
      --ground: #121615;
      --surface: #1b2120;
      --sunk: #262d2b;
      --ink: #f0ece0;
      --quiet: #b3b9b2;
      --line: #37403d;
      --strong-line: #8b948e;
      --accent: #7fd1bf;
      --on-accent: #0b1514;
      --accent-soft: #1f3a36;
      --danger: #ff9c89;
      --danger-soft: #43211b;
      --caution: #f3c567;
      --caution-soft: #3b2f14;
      --note: #a9c8e6;
      --note-soft: #20303f;
      --focus: #f2a65a;
    }
  }
  *, *::before, *::after { box-sizing: border-box; }
  html { -webkit-text-size-adjust: 100%; }
  body {
    margin: 0;
    background: ${color.ground};
    color: ${color.ink};
    font: 400 ${size.body}/1.45 ${font.text};
    font-variant-numeric: tabular-nums;
  }
  button, input, select, textarea { font: inherit; color: inherit; }
  h1, h2, h3, p, ul, ol, dl, dd, figure { margin: 0; padding: 0; }
  ul, ol { list-style: none; }
  a { color: ${color.accent}; }
  /* What has the window to itself lies over all that keeps its place. */
  aside:has([data-large="true"]) { z-index: 10; }
  :focus-visible { outline: 3px solid ${color.focus}; outline-offset: 2px; }
  @media print {
    :root { color-scheme: light; --ground: #fff; --surface: #fff; --ink: #000; --quiet: #333; --line: #999; --sunk: #fff; --accent: #000; }
    @page {
      margin: 14mm;
      @bottom-center { content: counter(page) " / " counter(pages); font: 8pt sans-serif; }
    }
  }
  @media (prefers-reduced-motion: reduce) {
    *, *::before, *::after { animation: none !important; transition: none !important; }
  }
`;
