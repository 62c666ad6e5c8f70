import type { Rooms } from "../message";
import type { Words } from "../words";

const LEGS = { both: "beide Beine zusammen", each: "jedes Bein", left: "linkes Bein", right: "rechtes Bein" };

/** A load is how the machine is marked, and its mass: it is said as in the first. */
export const home: Omit<Words<Rooms["home"]>, "load"> = {
  line: ({ sets, work, legs, load, last }, f) => {
    const set =
      "holdS" in work
        ? `${work.holds === 1 ? "" : `${work.holds} × `}${work.holdS} Sekunden halten`
        : "reps" in work
          ? f.count(work.reps, "Wiederholung", "Wiederholungen")
          : `${work.seconds} Sekunden`;
    return f.list([
      `${sets === 1 ? "" : `${sets}-mal `}${set}`,
      LEGS[legs],
      ...(load ? [f.say(load)] : []),
      ...(last ? [f.say(last)] : []),
    ]);
  },
  last_set: ({ how, reps, load }, f) =>
    how === "lighter"
      ? `der letzte Satz leichter: ${reps}-mal${load ? ` mit ${f.say(load)}` : ""}`
      : how === "slower"
        ? `im letzten Satz doppelt so langsam zurück: ${reps}-mal`
        : `im letzten Satz ${reps}-mal`,
  task: (m) => (m.of === "seconds" ? "Sekunden" : "Mal"),
  felt: (m) => `Es soll sich wie ${m.felt} von 10 anfühlen.`,
  left_at_end: (m) => `Am Ende sollten noch etwa ${m.reps} möglich sein.`,
};
