/** Colours by what they are for; each is a custom property, so that day and night share one name. */
export const color = {
  ground: "var(--ground)",
  surface: "var(--surface)",
  sunk: "var(--sunk)",
  ink: "var(--ink)",
  quiet: "var(--quiet)",
  line: "var(--line)",
  strongLine: "var(--strong-line)",
  accent: "var(--accent)",
  onAccent: "var(--on-accent)",
  accentSoft: "var(--accent-soft)",
  danger: "var(--danger)",
  dangerSoft: "var(--danger-soft)",
  caution: "var(--caution)",
  cautionSoft: "var(--caution-soft)",
  note: "var(--note)",
  noteSoft: "var(--note-soft)",
  focus: "var(--focus)",
} as const;

/** The board's plate and what is printed on it; alike by day and night, as the real one is. */
export const plate = {
  base: "#22302f",
  edge: "#3c4d4a",
  print: "#efe9d8",
  faint: "#93a29c",
  block: "#35464a",
  mains: "#5d3a35",
  screw: "#c9ccc6",
  slot: "#111817",
  knob: "#f4efe2",
  brass: "#e9b44c",
  glow: "#8fe3c4",
} as const;

/** Lamp colours when lit. */
export const lampColour = {
  green: "#59d98c",
  red: "#ff6b57",
  amber: "#ffc247",
  blue: "#6fb6ff",
  white: "#ffffff",
} as const;

/** Core colours by their two-letter codes. */
export const coreColour = {
  BK: "#15181a",
  BN: "#7a4a25",
  RD: "#c8281e",
  OG: "#e8801f",
  YE: "#f0cf2e",
  GN: "#2f8f46",
  BU: "#2b63b8",
  VT: "#7b4aa8",
  GY: "#8d9391",
  WH: "#f7f6f1",
  PK: "#e79ab0",
  TQ: "#3fb3b0",
  GNYE: "#7aa82f",
} as const;

export const space = { hair: "2px", xs: "4px", s: "8px", m: "12px", l: "20px", xl: "32px" } as const;

export const size = {
  tiny: "0.8125rem",
  small: "0.9rem",
  body: "1rem",
  lead: "1.2rem",
  title: "1.45rem",
  big: "1.7rem",
} as const;

export const font = {
  text: '"Atkinson Hyperlegible Next Variable", system-ui, sans-serif',
  mono: '"Atkinson Hyperlegible Mono Variable", ui-monospace, monospace',
} as const;

/** Least size of anything pressed with a glove on. */
export const touch = "44px";

/** Widths at which the layout changes. */
export const narrow = "@media (max-width: 859px)";
/** A narrow screen: a narrow page of paper has room for the columns of a table. */
export const narrowScreen = "@media screen and (max-width: 859px)";
export const print = "@media print";
