import { useEffect, useRef } from "react";

/** Something the palette leads to or does: what is read of it, what it is found by, and what happens. */
export interface Offer {
  id: string;
  text: string;
  says?: string;
  words?: string;
  group: string;
  act: () => void;
}

const offering = new Set<() => readonly Offer[]>();

/** All that is offered by the pages that are open, those opened last first. */
export const offered = (): Offer[] => [...offering].reverse().flatMap((offers) => offers());

/** Offers things in the palette for as long as the component stands; they are asked for when it is opened. */
export function useOffers(offers: () => readonly Offer[]): void {
  const latest = useRef(offers);
  useEffect(() => {
    latest.current = offers;
  });
  useEffect(() => {
    const ask = () => latest.current();
    offering.add(ask);
    return () => void offering.delete(ask);
  }, []);
}
