export { Button } from "./button.tsx";
export { DataTable } from "./data-table/data-table.tsx";
export type { Column, RowFrame, Sorting } from "./data-table/data-table.tsx";
export { Dialog } from "./dialog.tsx";
export { did, DoneNotices, forgetDone, takeBackLast } from "./done/index.ts";
export { FileButton } from "./file-button.tsx";
export { Finder } from "./finder/index.ts";
export type { Findable } from "./finder/index.ts";
export { Glass } from "./glass.ts";
export { useGrowing } from "./growing.ts";
export { Choice, TextInput, Toggle } from "./field.tsx";
export { NumberInput } from "./number-input.tsx";
export { setUnits, useInUnits, useUnits } from "./units.ts";
export { Menu } from "./menu.tsx";
export { Notice } from "./notice.tsx";
export { PageTitle, Work } from "./page-title.tsx";
export { Segments } from "./segments.tsx";
export { setShortcutsOn, shortcutsOn, useShortcuts } from "./shortcuts.ts";
export { Opener, StandingLink } from "./standing.tsx";
export { Empty, Failed, Loading, Whole } from "./states.tsx";
export { Scroll } from "./scroll.tsx";
export { Tabs } from "./tabs.tsx";
export {
  Heading,
  Hidden,
  Mark,
  OffPaper,
  Panel,
  Quiet,
  Row,
  ringed,
  SubHeading,
  Title,
  WhereRoom,
} from "./text.tsx";
