import { z } from "zod";
import texts from "./text/en.json";

/** Isometric tests by load cell. */
export const movement = z.enum(
  ["knee_extension", "knee_flexion", "hip_abduction", "hip_adduction", "hip_extension", "calf"],
  { error: "input.choose_movement" },
);
export type Movement = z.infer<typeof movement>;

interface MovementModel {
  /** what angle is read: the knee's, or the hip's or ankle's with the knee's beside it */
  joint: "knee" | "hip" | "ankle";
  /** usual test angle, degrees */
  usualDeg: number;
  leastDeg: number;
  mostDeg: number;
}

/** A movement as it is called; its words stand in text/en.json. */
interface MovementSpec extends MovementModel {
  name: string;
  /** the muscle it stands for */
  muscle: string;
  leverWords: string;
}

const MODELS: Record<Movement, MovementModel> = {
  knee_extension: {
    joint: "knee",
    usualDeg: 60,
    leastDeg: 0,
    mostDeg: 130,
  },
  knee_flexion: {
    joint: "knee",
    usualDeg: 60,
    leastDeg: 0,
    mostDeg: 130,
  },
  hip_abduction: {
    joint: "hip",
    usualDeg: 0,
    leastDeg: -20,
    mostDeg: 45,
  },
  hip_adduction: {
    joint: "hip",
    usualDeg: 0,
    leastDeg: -20,
    mostDeg: 45,
  },
  hip_extension: {
    joint: "hip",
    usualDeg: 0,
    leastDeg: -20,
    mostDeg: 110,
  },
  calf: {
    joint: "ankle",
    usualDeg: 0,
    leastDeg: -30,
    mostDeg: 45,
  },
};

const TEXTS: Readonly<Record<Movement, Pick<MovementSpec, "name" | "muscle" | "leverWords">>> = texts;
export const MOVEMENTS = Object.fromEntries(
  movement.options.map((m) => [m, { ...MODELS[m], ...TEXTS[m] }]),
) as Record<Movement, MovementSpec>;

export const isKneeMovement = (m: Movement): m is "knee_extension" | "knee_flexion" =>
  MOVEMENTS[m].joint === "knee";
