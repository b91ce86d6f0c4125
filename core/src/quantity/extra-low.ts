/** Limits of extra-low voltage, V: IEC 60364-4-41 (from memory). Over them a cable is mains, and what it feeds is earthed. */
export const extraLowVolts = { ac: 50, dc: 120 } as const;
