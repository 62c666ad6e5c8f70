import { massLabel } from "@/core/units/mass";
import type { Rooms } from "../message";
import type { Words } from "../words";

const times = (n: number): string => (n === 1 ? "once" : n === 2 ? "twice" : `${n} times`);
const LEGS = { both: "both legs together", each: "each leg", left: "left leg", right: "right leg" };

/** What a sheet comes to, in a client's words. */
export const home: Words<Rooms["home"]> = {
  line: ({ sets, work, legs, load, last }, f) => {
    const set =
      "holdS" in work
        ? `${work.holds === 1 ? "" : `${work.holds} × `}${work.holdS} seconds`
        : "reps" in work
          ? `${work.reps} repetitions`
          : `${work.seconds} seconds`;
    return f.list([
      `${sets === 1 ? "" : `${times(sets)} `}${set}`,
      LEGS[legs],
      ...(load ? [f.say(load)] : []),
      ...(last ? [f.say(last)] : []),
    ]);
  },
  last_set: ({ how, reps, load }, f) =>
    how === "lighter"
      ? `the last one lighter: ${reps} times${load ? ` with ${f.say(load)}` : ""}`
      : how === "slower"
        ? `the last one lowered twice as slowly: ${reps} times`
        : `the last one ${reps} times`,
  // a piece that is a mass by itself is said once
  load: ({ how, kg }, f) => (!kg ? how : how === massLabel(kg) ? f.kg(kg) : `${how}, ${f.kg(kg)}`),
  task: (m) => (m.of === "seconds" ? "seconds" : m.n === 1 ? "time" : "times"),
  felt: (m) => `It should feel like ${m.felt} of 10.`,
  left_at_end: (m) => `You should be able to do about ${m.reps} more at the end.`,
};
