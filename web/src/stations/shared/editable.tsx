import type { ReactNode } from "react";
import { styled } from "styled-components";
import { useJobBench } from "../../data/index.ts";
import { space } from "../../theme/index.ts";

const Fields = styled.fieldset`
  display: grid;
  gap: ${space.l};
  min-width: 0;
  border: 0;
  padding: 0;
  margin: 0;
`;

/** What changes a job or its log: nothing of it takes anything once the job was handed over, until it is opened again. */
export function Editable({ children }: { children: ReactNode }) {
  const { closed } = useJobBench();
  return <Fields disabled={closed}>{children}</Fields>;
}
