/** Sizes of drawn parts, mm on the face. */
export const sizes = {
  blockHeight: 13,
  lamp: 2.3,
  dial: 6.2,
  key: 9,
  dipPitch: 5,
  dipHeight: 11,
  slidePitch: 4.6,
  pin: 3.6,
  slotHeight: 13,
  segment: { width: 7, height: 11 },
  character: { width: 3.1, height: 5.2 },
  print: { terminal: 3.5, label: 3.4, block: 3.3, part: 3.6, lamp: 3, small: 3.1, title: 5 },
  margin: 5,
  /** Room for cores between two plates of one face. */
  channel: 100,
} as const;
