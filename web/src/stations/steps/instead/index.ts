export { Instead } from "./instead.tsx";
