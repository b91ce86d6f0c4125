import { CircleCheck, CloudUpload, TriangleAlert } from "lucide-react";
import { styled } from "styled-components";
import type { SaveState } from "../../data/index.ts";
import { color, size, space } from "../../theme/index.ts";
import { Button, Row } from "../../ui/index.ts";

const Mark = styled.p<{ $bad: boolean }>`
  display: flex;
  align-items: center;
  gap: ${space.s};
  font-size: ${size.small};
  font-weight: 600;
  color: ${({ $bad }) => ($bad ? color.danger : color.quiet)};
`;

function words(save: SaveState): string {
  switch (save.kind) {
    case "saving":
      return "Saving";
    case "unsent":
    case "refused":
      return `Not saved. ${save.message}`;
    case "conflict":
      return "Not saved: changed elsewhere";
    case "saved":
      return save.at
        ? `Saved ${new Intl.DateTimeFormat("en-GB", { timeStyle: "medium" }).format(save.at)}`
        : "All saved";
  }
}

/** Whether the last change is stored. */
export function SaveMark({ save, retry }: { save: SaveState; retry: () => void }) {
  const bad = save.kind !== "saved" && save.kind !== "saving";
  const Icon = bad ? TriangleAlert : save.kind === "saving" ? CloudUpload : CircleCheck;
  return (
    <Row>
      <Mark role="status" $bad={bad}>
        <Icon size={18} aria-hidden />
        {words(save)}
      </Mark>
      {save.kind === "unsent" && (
        <Button $kind="outlined" onPress={retry}>
          Try again
        </Button>
      )}
    </Row>
  );
}
