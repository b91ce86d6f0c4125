import { deliveredCards, listed, sentence, usualUse } from "@anvilcloud/core";
import { useJobBench } from "../../data/index.ts";
import { Choice, Quiet, Segments } from "../../ui/index.ts";
import { Grid } from "./grid.ts";
import { Section } from "./section.tsx";

const none = "none";

const uses = [
  { id: "gate", text: "A gate" },
  { id: "door", text: "A door" },
] as const;

/** What of the board is not alike everywhere: the cards in its slots, and whether it is read as a gate's or a door's. */
export function CardsForm() {
  const { job, plan, change, board: profile } = useJobBench();
  const cards = job.cards ?? deliveredCards(profile);
  const twoUses = profile.settings.some((setting) => setting.use !== undefined);
  if (!profile.slots.length && !twoUses) return null;

  function fit(slotCards: readonly string[], card: string) {
    change({
      kind: "card",
      takes: [...slotCards],
      delivered: deliveredCards(profile),
      ...(card === none ? {} : { card }),
    });
  }

  const names = profile.cards.flatMap(({ id, name }) => (cards.includes(id) ? [name] : []));
  const says = names.length ? `fitted: ${listed(names)}` : "no card fitted";
  return (
    <Section part="board" title={`${plan.bundle.board.name}: cards and use`} says={says}>
      <Grid>
        {profile.slots.map((slot) => {
          const fitted = slot.takes.find((id) => cards.includes(id));
          return (
            <Choice
              key={slot.id}
              label={/^slot\b/i.test(slot.label) ? sentence(slot.label.toLowerCase()) : `Slot ${slot.label}`}
              value={fitted ?? none}
              onChange={(card) => fit(slot.takes, card)}
              options={[
                { id: none, text: "empty" },
                ...profile.cards
                  .filter((card) => slot.takes.includes(card.id))
                  .map((card) => ({ id: card.id, text: card.name })),
              ]}
            />
          );
        })}
      </Grid>
      {twoUses && (
        <div>
          <Quiet>Some of its switches mean another thing on a gate than on a door.</Quiet>
          <Segments
            label="Read as"
            value={job.survey.use ?? usualUse(profile)}
            onChange={(use) => change({ kind: "use", use })}
            options={uses}
          />
        </div>
      )}
    </Section>
  );
}
