import type { BoardProfile } from "@anvilcloud/core";
import { styled } from "styled-components";
import { size } from "../../../theme/index.ts";
import { Glass } from "../../../ui/index.ts";

const Wide = styled(Glass)<{ $characters: number }>`
  min-width: ${({ $characters }) => $characters + 2}ch;
  font-size: ${size.title};
  line-height: 1.25;
`;

/** The display as it will look: its lines, or, outside of the menus, the word for its usual one. */
export function Screen({ board, lines }: { board: BoardProfile; lines: readonly string[] }) {
  const { characters = 8, lines: rows = 1 } = board.display ?? {};
  if (!lines.length) return <b>its usual screen</b>;
  const padded = [...lines, ...Array<string>(Math.max(0, Math.min(rows, 2) - lines.length)).fill(" ")];
  return <Wide $characters={characters}>{padded.join("\n")}</Wide>;
}
