import { boardWords, count, purposeLabel, sentence, type BoardProfile } from "@anvilcloud/core";
import { useState } from "react";
import useSWR from "swr";
import { boardsKey, getJson, noteRecent, recent } from "../../data/index.ts";
import { Failed, Finder, Loading, type Findable } from "../../ui/index.ts";

const lately = "Used lately";

/** Boards as they are looked up: those used lately on top, the others by what they are made for. */
function findableBoards(boards: readonly BoardProfile[]): Findable[] {
  const used = recent("boards").map(({ id }) => id);
  const at = ({ id }: BoardProfile) => (used.includes(id) ? used.indexOf(id) : used.length);
  return [...boards]
    .sort((a, b) => at(a) - at(b) || (purposeLabel(a.purpose) < purposeLabel(b.purpose) ? -1 : 1))
    .map((board) => {
      const made = purposeLabel(board.purpose);
      const group = used.includes(board.id) ? lately : made;
      // What its group says already is not said again.
      const facts = [
        ...(group === made ? [] : [made]),
        ...(board.leaves > 1 ? [`up to ${count(board.leaves, "leaf", "leaves")}`] : []),
      ].join(", ");
      return {
        id: board.id,
        text: `${board.maker} ${board.name}`,
        says: [...(facts ? [sentence(facts)] : []), board.summary].join(". "),
        words: boardWords(board),
        group,
      };
    });
}

interface Props {
  label: string;
  /** False where something before it is filled in first. */
  isFirst?: boolean;
  onChoose: (board: BoardProfile) => void;
}

/** The boards there are, found by what they are and do. */
export function BoardFinder({ label, isFirst, onChoose }: Props) {
  const [query, setQuery] = useState("");
  const { data, error, mutate } = useSWR<{ boards: BoardProfile[] }, Error>(boardsKey, getJson);
  if (error) return <Failed what="The list of boards" error={error} retry={() => void mutate()} />;
  if (!data) return <Loading what="boards" />;
  return (
    <Finder
      label={label}
      isFirst={isFirst}
      hint="sliding gate, two leaves, menu, radio, 230 V …"
      things={findableBoards(data.boards)}
      query={query}
      onQuery={setQuery}
      onChoose={(id) => {
        const board = data.boards.find((each) => each.id === id);
        if (!board) return;
        noteRecent("boards", { id, text: `${board.maker} ${board.name}` });
        onChoose(board);
      }}
      none="No board is like that. Write its profile under Boards, or import one."
    />
  );
}
