import { styled } from "styled-components";
import { color, print, size, space } from "../../theme/index.ts";

const Places = styled.section`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: ${space.xl};
  margin-top: ${space.l};
  break-inside: avoid;
  div {
    display: grid;
    gap: ${space.l};
  }
  strong {
    font-size: ${size.small};
  }
  p {
    padding-top: ${space.xs};
    border-top: 1.5px solid ${color.ink};
    font-size: ${size.tiny};
    color: ${color.quiet};
  }
  ${print} {
    display: flex;
    > div {
      flex: 1;
    }
    p {
      margin-top: ${space.l};
    }
  }
`;

function Place({ who, name }: { who: string; name: string }) {
  return (
    <div>
      <strong>{who}</strong>
      <p>Name{name ? `: ${name}` : ""}</p>
      <p>Date</p>
      <p>Signature</p>
    </div>
  );
}

/** Where those sign who hand over and who take over. */
export function Signing({ installer, customer }: { installer: string; customer: string }) {
  return (
    <Places aria-label="Signatures">
      <Place who="Handed over by" name={installer} />
      <Place who="Taken over by" name={customer} />
    </Places>
  );
}
