import { FileDown } from "lucide-react";
import { styled } from "styled-components";
import { bundleAddress } from "../../data/index.ts";
import { touch } from "../../theme/index.ts";

const Download = styled.a`
  display: inline-flex;
  gap: 6px;
  align-items: center;
  min-height: ${touch};
`;

/** Downloads the whole job as one JSON file. */
export function JobFileLink({ job }: { job: string }) {
  return (
    <Download href={bundleAddress(job)} download>
      <FileDown size={20} aria-hidden /> Job file
    </Download>
  );
}
