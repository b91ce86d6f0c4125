import { styled } from "styled-components";
import { color, size, space } from "../../theme/index.ts";
import { Heading, Quiet } from "../../ui/index.ts";

const Ways = styled.ol`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(220px, 1fr));
  gap: ${space.l};
  counter-reset: way;
  li {
    border-top: 3px solid ${color.accent};
    padding-top: ${space.s};
    font-size: ${size.small};
  }
  strong {
    display: block;
    font-size: ${size.body};
  }
`;

/** Says in a minute what there is here, to whoever opens it for the first time. */
export function FirstVisit() {
  return (
    <section aria-label="How it goes">
      <Heading>How it goes</Heading>
      <Ways>
        <li>
          <strong>1. Say what is there</strong>
          The board by its name, what moves, and the devices on site. Ten minutes at the gate; sizes are
          assumed until you measure.
        </li>
        <li>
          <strong>2. Read what to do</strong>
          Which core goes to which terminal, where every switch and dial must stand, which keys to press, and
          what will not work.
        </li>
        <li>
          <strong>3. Do it, one step at a time</strong>
          Each step shows what the board should show. Not seen? You tap what you saw, and the likely faults
          stand there with what to do.
        </li>
        <li>
          <strong>4. Leave a record</strong>
          What was found, set, measured and left stands in a record to print and in a file that any other
          installation opens.
        </li>
      </Ways>
      <Quiet style={{ marginTop: 16 }}>
        Begin with <b>New job</b>; the board decides what is asked. Or commission a board here first, without
        a job.
      </Quiet>
    </section>
  );
}
