import { lazy, Suspense, useState } from "react";
import { useNavigate } from "react-router";
import { styled } from "styled-components";
import { color, space } from "../../theme/index.ts";
import { Button, Heading, Loading, Quiet, Row } from "../../ui/index.ts";

const Offer = styled.section`
  display: grid;
  gap: ${space.s};
  margin-top: ${space.l};
  padding: ${space.l};
  background: ${color.surface};
  border: 1px solid ${color.line};
  border-radius: 10px;
`;

// Boards are fetched, and what looks them up, when someone asks for one.
const BoardFinder = lazy(() =>
  import("../shared/board-finder.tsx").then((finder) => ({ default: finder.BoardFinder })),
);

/** For whoever has no job at hand: any board runs on a bench, and says step by step how it is commissioned. */
export function Practice() {
  const [wanted, setWanted] = useState(false);
  const navigate = useNavigate();
  return (
    <Offer aria-label="Without a job">
      <Heading>Without a job: commission a board here</Heading>
      <Quiet>
        It runs on a bench, wired with drives and devices that fit it. Step by step you give it power, set it,
        have it learn its travel and see the gate or door move. Nothing of it touches a job.
      </Quiet>
      {wanted ? (
        <Suspense fallback={<Loading what="boards" />}>
          <BoardFinder
            label="Board to commission"
            onChoose={(board) => void navigate(`/boards/${board.id}/live`)}
          />
        </Suspense>
      ) : (
        <Row>
          <Button $kind="outlined" onPress={() => setWanted(true)}>
            Choose a board
          </Button>
        </Row>
      )}
    </Offer>
  );
}
