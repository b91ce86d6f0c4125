import {
  conditionText,
  fitBoard,
  labelsOf,
  programText,
  type BoardProfile,
  type Procedure,
} from "@anvilcloud/core";
import { styled } from "styled-components";
import { color, size, space } from "../../theme/index.ts";
import { Mark, Quiet, SubHeading } from "../../ui/index.ts";
import { FactList } from "./board-facts.tsx";

const One = styled.details`
  border-top: 1px solid ${color.line};
  font-size: ${size.small};
  summary {
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: ${space.m};
    min-height: 44px;
    cursor: pointer;
    font-weight: 600;
  }
  summary span {
    color: ${color.quiet};
    font-weight: 400;
  }
  ol {
    list-style: decimal;
    padding: 0 0 ${space.m} ${space.l};
  }
`;

/** The lamp that flashes a code, as it is read beside the count; nothing where the display shows it. */
function flashedBy({ lamps }: BoardProfile, { lamp: id, other }: BoardProfile["codes"][number]): string {
  const lamp = lamps.find((each) => each.id === id);
  return lamp ? ` ${other ? lamp.other : lamp.colour} flashes of ${lamp.label}` : "";
}

function ProcedureText({ board, procedure }: { board: BoardProfile; procedure: Procedure }) {
  const { needs, source, clears, keeps, windowSeconds } = procedure;
  const names = (ids: readonly string[]) =>
    ids.map((id) => board.memories.find((each) => each.id === id)?.label.toLowerCase() ?? id).join(", ");
  return (
    <One>
      <summary>
        {procedure.title}
        <span>{procedure.station ?? "when needed"}</span>
      </summary>
      <Quiet>
        {needs.length > 0 &&
          `Needs: ${needs.map((need) => conditionText(need, labelsOf(board))).join("; ")}. `}
        {windowSeconds && `The board listens for ${windowSeconds} s. `}
        {clears.length > 0 && `Clears ${names(clears)}. `}
        {keeps.length > 0 && `Keeps ${names(keeps)}. `}
        Known from: {source.from}
        {source.note && `, ${source.note}`}
      </Quiet>
      <ol>
        {procedure.steps.map((step) => (
          <li key={step.id}>
            {step.says}
            {step.see && <Quiet>Seen: {step.see}</Quiet>}
            {step.ifNot && <Quiet>If not: {step.ifNot}</Quiet>}
          </li>
        ))}
      </ol>
    </One>
  );
}

/** What the board does by itself, each with what begins it. */
function Programs({ board }: { board: BoardProfile }) {
  if (!board.programs.length)
    return (
      <Quiet>
        This profile tells what happens and has no programs: what its steps change is claimed, and nothing
        runs.
      </Quiet>
    );
  return board.programs.map((program) => (
    <One key={program.id}>
      <summary>
        {program.label}
        <span>by itself</span>
      </summary>
      <ul>
        {programText(board, program).map((text) => (
          <li key={text}>{text}</li>
        ))}
      </ul>
    </One>
  ));
}

/** Everything that is done at the board, in the words of its profile, and what the board then does by itself. */
export function BoardProcedures({ board: profile }: { board: BoardProfile }) {
  const board = fitBoard(profile, { cards: profile.cards.map(({ id }) => id) });
  return (
    <>
      {board.procedures.map((procedure) => (
        <ProcedureText key={procedure.id} board={board} procedure={procedure} />
      ))}
      <SubHeading style={{ marginTop: 24 }}>What it does by itself</SubHeading>
      <Programs board={board} />
    </>
  );
}

/** What the board keeps in memory, and what its codes mean. */
export function BoardMemory({ board }: { board: BoardProfile }) {
  return (
    <FactList>
      {board.memories.map((memory) => (
        <div key={memory.id} style={{ display: "contents" }}>
          <dt>{memory.label}</dt>
          <dd>
            {[
              memory.capacity && `takes ${memory.capacity}`,
              memory.countsIn && memory.countsIn > 1 && `counts in steps of ${memory.countsIn}`,
              memory.afterTravel && "void once the travel is learned anew",
              memory.corrupts && `damaged: ${memory.corrupts}`,
            ]
              .filter(Boolean)
              .join("; ") || "kept until cleared"}
          </dd>
        </div>
      ))}
      {board.codes.map((code) => (
        <div key={`${code.lamp ?? ""} ${code.code}`} style={{ display: "contents" }}>
          <dt>
            <Mark>{code.code}</Mark>
            {flashedBy(board, code)}
          </dt>
          <dd>
            {code.means} {code.remedy}
          </dd>
        </div>
      ))}
    </FactList>
  );
}
