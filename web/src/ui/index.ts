export { Button } from "./button.tsx";
export { Dialog } from "./dialog.tsx";
export { Choice, NumberInput, TextInput, Toggle } from "./field.tsx";
export { Notice } from "./notice.tsx";
export { Segments } from "./segments.tsx";
export { setShortcutsOn, shortcutsOn, useShortcuts } from "./shortcuts.ts";
export { Empty, Failed, Loading } from "./states.tsx";
export { Scroll, Table } from "./table.tsx";
export { Heading, Hidden, Mark, Panel, Quiet, Row, SubHeading, Title } from "./text.tsx";
