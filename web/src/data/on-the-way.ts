import { createContext, useContext } from "react";

/** Tells whether the user is on the way to another page at the moment of asking. */
export type OnTheWay = () => boolean;

const Context = createContext<OnTheWay>(() => false);

/** Hands out what the router knows: what a page last drew of it may be a moment old. */
export const OnTheWayProvider = Context.Provider;

export const useOnTheWay = (): OnTheWay => useContext(Context);
