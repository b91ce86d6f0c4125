export { GlobalStyle } from "./global.ts";
export {
  color,
  coreColour,
  font,
  lampColour,
  narrow,
  narrowScreen,
  plate,
  print,
  size,
  space,
  touch,
} from "./tokens.ts";
