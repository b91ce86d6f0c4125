/** What comes of learning on every board, by what is wrong: learned or not / what it says / where the leaves stand / lamps lit, * blinking / display. */
export const learning: Record<string, Record<string, string>> = {
  "quillmarsh-tandrel 2 learn-travel": {
    "nothing wrong": "learned / says nothing / closed / POWER STOP BEAM EDGE / ",
    "force fully off": "not learned / refused / open / POWER STOP BEAM EDGE TRAVEL / ",
    "the leaf cannot move": "not learned / says nothing / open / POWER STOP BEAM EDGE TRAVEL / ",
    "on its closed limit": "not learned / says nothing / closed / POWER STOP BEAM EDGE TRAVEL / ",
    "motor reversed": "not learned / says nothing / open / POWER STOP BEAM EDGE TRAVEL / ",
    "motor reversed, leads exchanged": "learned / says nothing / closed / POWER STOP BEAM EDGE / ",
    "stop open": "not learned / refused / open / POWER BEAM EDGE TRAVEL / ",
    "first protection of closing open": "not learned / refused / open / POWER STOP EDGE TRAVEL / ",
  },
  "quillmarsh-tandrel 1 learn-travel": {
    "nothing wrong": "learned / says nothing / closed / POWER STOP BEAM EDGE / ",
    "one leaf, set for two":
      "not learned / fails no-current, aborted / open / POWER STOP BEAM EDGE TRAVEL / ",
    "only motor on the other output":
      "not learned / fails no-current, aborted / open / POWER STOP BEAM EDGE TRAVEL / ",
  },
  "osierbeck-quernish 2 learn-half-way": {
    "nothing wrong": "learned / says nothing / closed / MAINS ST PH ED PO LIM 1 LIM 2 / ----",
    "force fully off, closing": "not learned / refused / between / MAINS ST PH ED PO / nonE",
    "the leaf cannot move":
      "not learned / obstructed, refused / closed / MAINS ST PH ED PO LIM 1 LIM 2 / E-11",
    "on its closed limit": "not learned / refused / closed / MAINS ST PH ED PO LIM 1 LIM 2 / E-11",
    "motor reversed": "not learned / obstructed, refused / closed / MAINS ST PH ED PO LIM 1 LIM 2 / E-11",
    "motor reversed, leads exchanged":
      "learned / says nothing / closed / MAINS ST PH ED PO LIM 1 LIM 2 / ----",
    "stop open": "not learned / held-off, refused / closed / MAINS PH ED PO LIM 1 LIM 2 / nonE",
    "first protection of closing open": "not learned / refused / between / MAINS ST ED PO / nonE",
  },
  "osierbeck-quernish 1 learn-half-way": {
    "nothing wrong": "learned / says nothing / closed / MAINS ST PH ED PO LIM 1 LIM 2 / ----",
    "one leaf, set for two":
      "not learned / fails no-current, aborted / open / MAINS ST PH ED PO LIM 2 / E-02",
    "only motor on the other output":
      "not learned / fails no-current, refused / closed / MAINS ST PH ED PO LIM 1 LIM 2 / E-11",
  },
  "marlstreet-pewlark 2 first-command": {
    "nothing wrong": "learned / says nothing / closed / STATE A EYE EDGE / ",
    "force fully off": "not learned / refused / closed / STATE* A EYE EDGE / ",
    "the leaf cannot move": "not learned / fails no-end, aborted / closed / STATE* A EYE EDGE / ",
    "motor reversed": "not learned / fails no-end, aborted / closed / STATE* A EYE EDGE / ",
    "motor reversed, leads exchanged": "learned / says nothing / closed / STATE A EYE EDGE / ",
    "stop open": "not learned / refused / closed / STATE* A EYE EDGE / ",
    "first protection of closing open": "not learned / refused / closed / STATE* A EDGE / ",
  },
  "marlstreet-pewlark 1 first-command": {
    "nothing wrong": "learned / says nothing / closed / STATE A EYE EDGE / ",
    "one leaf, set for two": "not learned / fails no-current, aborted / between / STATE* A Z EYE EDGE / ",
    "only motor on the other output":
      "not learned / fails no-current, aborted / closed / STATE* A EYE EDGE / ",
  },
  "furzel-slathorn 1 learn-magnets": {
    "nothing wrong": "learned / says nothing / closed / NET SHUT / --",
    "force fully off": "not learned / refused / between / NET / 00",
    "the leaf cannot move": "not learned / fails no-end, aborted / between / NET / F1",
    "outside its magnets": "not learned / fails no-end, aborted / closed / NET / F1",
    "motor reversed": "not learned / fails no-end, aborted / open / NET OPEN / F1",
    "motor reversed, leads exchanged": "learned / says nothing / closed / NET SHUT / --",
    "motor reversed, rotation inverted": "learned / says nothing / closed / NET SHUT / --",
    "motor reversed, leads exchanged and rotation inverted":
      "not learned / fails no-end, aborted / open / NET OPEN / F1",
    "stop open": "not learned / refused / between / NET / 00",
    "first protection of closing open": "not learned / refused / between / NET / 00",
  },
  "furzel-slathorn 1 learn-half-way": {
    "nothing wrong": "learned / says nothing / closed / NET SHUT / --",
    "on its closed limit": "learned / says nothing / closed / NET SHUT / --",
    "motor reversed": "not learned / fails no-end, aborted / closed / NET SHUT / F1",
    "first protection of closing open": "learned / says nothing / closed / NET SHUT / b1",
  },
  "pengrath-drawmel 1 learn-stops": {
    "nothing wrong": "learned / says nothing / open / LIVE / ",
    "force fully off": "not learned / refused / open / LIVE FAULT / ",
    "the leaf cannot move": "not learned / says nothing / open / LIVE FAULT / ",
    "motor reversed": "learned / says nothing / closed / LIVE / ",
    "motor reversed, leads exchanged": "learned / says nothing / open / LIVE / ",
    "stop open": "not learned / refused / open / LIVE FAULT / ",
    "first protection of closing open": "not learned / refused / open / LIVE FAULT / ",
  },
  "pengrath-drawmel 1 set-positions": {
    "nothing wrong": "learned / says nothing / closed / LIVE / ",
    "the leaf cannot move": "not learned / says nothing / closed / LIVE FAULT / ",
    "motor reversed": "not learned / says nothing / open / LIVE FAULT / ",
    "stop open": "not learned / refused, held-off / closed / LIVE FAULT / ",
  },
  "hexby-hoistrum 1 encoder-ends": {
    "another firmware's way in": "not learned / says nothing / closed / PHASES / Hoistrum no end positions",
    "nothing wrong": "learned / says nothing / closed / PHASES ENDS / Hoistrum ready",
    "the leaf cannot move": "not learned / says nothing / closed / PHASES / Hoistrum no end positions",
    "motor reversed": "learned / says nothing / open / PHASES ENDS / Hoistrum ready",
    "motor reversed, leads exchanged": "learned / says nothing / closed / PHASES ENDS / Hoistrum ready",
    "stop open": "not learned / refused, held-off / closed / PHASES HALT / F-10",
    "first protection of closing open": "learned / says nothing / closed / PHASES ENDS / Hoistrum ready",
  },
  "hexby-hoistrum 1 first-command": {
    "nothing wrong": "learned / says nothing / closed / PHASES ENDS / Hoistrum ready",
    "the leaf cannot move": "learned / fails obstructed, aborted / closed / PHASES ENDS / F-31",
    "motor reversed": "learned / fails obstructed, aborted / closed / PHASES ENDS / F-31",
    "stop open": "learned / refused / closed / PHASES HALT ENDS / F-10",
  },
  "tarn-grellock 1 set-ends": {
    "nothing wrong": "learned / says nothing / closed / AC END BEAMS / ∙∙",
    "the leaf cannot move": "not learned / says nothing / closed / AC END BEAMS ALARM* / nE",
    "motor reversed": "learned / says nothing / open / AC END BEAMS / ∙∙",
    "motor reversed, leads exchanged": "learned / says nothing / closed / AC END BEAMS / ∙∙",
    "stop open": "not learned / refused, held-off / closed / AC END BEAMS ALARM / HA",
    "first protection of closing open": "learned / says nothing / closed / AC END BEAMS / ∙∙",
  },
  "tarn-grellock 1 learn-cams": {
    "nothing wrong": "learned / says nothing / open / AC END BEAMS / ∙∙",
    "on its closed limit": "learned / says nothing / open / AC END BEAMS / ∙∙",
    "motor reversed": "learned / says nothing / closed / AC END BEAMS / ∙∙",
    "stop open": "not learned / refused / between / AC BEAMS ALARM / HA",
  },
  "sorrel-tinkell 1 calibrate": {
    "nothing wrong": "learned / says nothing / closed / ON / ready",
    "the leaf cannot move": "not learned / says nothing / between / ON SET-UP / no travel",
    "on its closed limit": "learned / says nothing / closed / ON / ready",
    "motor reversed": "not learned / fails wrong-way, aborted / between / ON SET-UP / e-belt",
    "motor reversed, leads exchanged": "learned / says nothing / closed / ON / ready",
    "motor reversed, rotation inverted": "learned / says nothing / closed / ON / ready",
    "motor reversed, leads exchanged and rotation inverted":
      "not learned / fails wrong-way, aborted / between / ON SET-UP / e-belt",
    "stop open": "not learned / refused / between / ON SET-UP / no travel",
    "first protection of closing open": "not learned / refused / between / ON SET-UP / no travel",
  },
  "sorrel-tinkell 1 set-up": {
    "nothing wrong": "learned / says nothing / closed / ON / ready",
    "the leaf cannot move": "not learned / says nothing / between / ON SET-UP / no travel",
    "motor reversed": "not learned / fails wrong-way, aborted / between / ON SET-UP / e-belt",
    "stop open": "not learned / refused / between / ON SET-UP / no travel",
  },
  "lammerlow-thrussel 1 set-up": {
    "nothing wrong": "learned / says nothing / closed / MAINS / Thrussel automatic",
    "the leaf cannot move":
      "not learned / says nothing / closed / MAINS NEW / Thrussel 3.0 not set up  ↓: door type",
    "motor reversed": "not learned / fails wrong-way, aborted / between / MAINS NEW / E12",
    "motor reversed, leads exchanged": "learned / says nothing / closed / MAINS / Thrussel automatic",
    "stop open": "not learned / refused / closed / MAINS NEW / Thrussel 3.0 not set up  ↓: door type",
  },
  "dunnick-wendrel 1 first-call": {
    "nothing wrong": "learned / says nothing / closed / LIVES / ",
    "the leaf cannot move": "not learned / says nothing / closed / LIVES / ",
    "motor reversed": "learned / says nothing / open / LIVES / ",
    "motor reversed, leads exchanged": "learned / says nothing / closed / LIVES / ",
    "stop open": "not learned / refused / closed / LIVES HALT / ",
    "first protection of closing open": "not learned / refused / closed / LIVES WAY / ",
  },
  "copperfold-skarlune 2 calibrate": {
    "nothing wrong": "learned / says nothing / closed / POWER / ",
    "the leaf cannot move": "not learned / says nothing / closed / POWER GROUP 1 GROUP 2 / ",
    "motor reversed": "learned / says nothing / open / POWER / ",
    "motor reversed, leads exchanged": "learned / says nothing / closed / POWER / ",
    "stop open": "not learned / refused / closed / POWER GROUP 1 GROUP 2 / ",
    "first protection of closing open": "not learned / refused / closed / POWER GROUP 1 GROUP 2 / ",
  },
  "copperfold-skarlune 2 by-sensor": {
    "nothing wrong": "learned / says nothing / closed / POWER / ",
    "the leaf cannot move": "not learned / says nothing / closed / POWER GROUP 1 GROUP 2 / ",
    "stop open": "not learned / refused / between / POWER GROUP 1 GROUP 2 / ",
  },
  "copperfold-skarlune 1 calibrate": {
    "nothing wrong": "learned / says nothing / closed / POWER / ",
  },
  "copperfold-casspel 1 learn-stops": {
    "nothing wrong": "learned / says nothing / closed / ● ● / ",
    "the leaf cannot move": "not learned / says nothing / closed / ● ●* / ",
    "motor reversed": "learned / says nothing / open / ● ● / ",
    "motor reversed, leads exchanged": "learned / says nothing / closed / ● ● / ",
  },
  "copperfold-casspel 1 set-ends": {
    "nothing wrong": "learned / says nothing / open / ● ● / ",
    "the leaf cannot move": "not learned / says nothing / closed / ● ●* / ",
    "motor reversed": "not learned / says nothing / closed / ● ●* / ",
  },
};
