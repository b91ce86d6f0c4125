import { purposeLabel, type BoardProfile } from "@anvilcloud/core";
import { Play } from "lucide-react";
import { useState } from "react";
import { useNavigate } from "react-router";
import { styled } from "styled-components";
import useSWR from "swr";
import { boardsKey, getJson } from "../../data/index.ts";
import { color, space } from "../../theme/index.ts";
import { Button, Choice, Failed, Heading, Loading, Quiet, Row } from "../../ui/index.ts";

const Offer = styled.section`
  display: grid;
  gap: ${space.s};
  margin-top: ${space.l};
  padding: ${space.l};
  background: ${color.surface};
  border: 1px solid ${color.line};
  border-radius: 10px;
`;

/** The boards there are, asked for only by whoever wants to run one. */
function BoardToRun() {
  const { data, error, mutate } = useSWR<{ boards: BoardProfile[] }, Error>(boardsKey, getJson);
  const navigate = useNavigate();
  const [board, setBoard] = useState<string>();
  if (error) return <Failed what="The list of boards" error={error} retry={() => void mutate()} />;
  if (!data) return <Loading what="boards" />;
  return (
    <Row style={{ alignItems: "end" }}>
      <Choice
        label="Board to commission"
        value={board}
        onChange={setBoard}
        options={data.boards.map(({ id, maker, name, purpose }) => ({
          id,
          text: `${purposeLabel(purpose)}: ${maker} ${name}`,
        }))}
      />
      <Button
        $kind="filled"
        isDisabled={board === undefined}
        onPress={() => board !== undefined && void navigate(`/boards/${board}/live`)}
      >
        <Play size={20} aria-hidden /> Run it
      </Button>
    </Row>
  );
}

/** For whoever has no job at hand: any board runs on a bench, and says step by step how it is commissioned. */
export function Practice() {
  const [wanted, setWanted] = useState(false);
  return (
    <Offer aria-label="Without a job">
      <Heading>Without a job: commission a board here</Heading>
      <Quiet>
        It runs on a bench, wired with drives and devices that fit it. Step by step you give it power, set it,
        have it learn its travel and see the gate or door move. Nothing of it touches a job.
      </Quiet>
      {wanted ? (
        <BoardToRun />
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
