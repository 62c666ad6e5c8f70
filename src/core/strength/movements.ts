import { z } from "zod";

/** Isometric tests by load cell. */
export const movement = z.enum(
  ["knee_extension", "knee_flexion", "hip_abduction", "hip_adduction", "hip_extension", "calf"],
  { error: "input.choose_movement" },
);
export type Movement = z.infer<typeof movement>;

interface MovementSpec {
  name: string;
  /** the muscle it stands for */
  muscle: string;
  /** what angle is read: the knee's, or the hip's or ankle's with the knee's beside it */
  joint: "knee" | "hip" | "ankle";
  /** usual test angle, degrees */
  usualDeg: number;
  leastDeg: number;
  mostDeg: number;
  leverWords: string;
}

export const MOVEMENTS: Record<Movement, MovementSpec> = {
  knee_extension: {
    name: "knee extension",
    muscle: "quadriceps",
    joint: "knee",
    usualDeg: 60,
    leastDeg: 0,
    mostDeg: 130,
    leverWords: "joint line to the pad; 1 cm is 3 %",
  },
  knee_flexion: {
    name: "knee flexion",
    muscle: "hamstrings",
    joint: "knee",
    usualDeg: 60,
    leastDeg: 0,
    mostDeg: 130,
    leverWords: "joint line to the pad; 1 cm is 3 %",
  },
  hip_abduction: {
    name: "hip abduction",
    muscle: "outer hip",
    joint: "hip",
    usualDeg: 0,
    leastDeg: -20,
    mostDeg: 45,
    leverWords: "hip joint to the pad above the knee",
  },
  hip_adduction: {
    name: "hip adduction",
    muscle: "inner thigh",
    joint: "hip",
    usualDeg: 0,
    leastDeg: -20,
    mostDeg: 45,
    leverWords: "hip joint to the pad above the knee",
  },
  hip_extension: {
    name: "hip extension",
    muscle: "gluteals",
    joint: "hip",
    usualDeg: 0,
    leastDeg: -20,
    mostDeg: 110,
    leverWords: "hip joint to the pad above the knee",
  },
  calf: {
    name: "calf push",
    muscle: "calf",
    joint: "ankle",
    usualDeg: 0,
    leastDeg: -30,
    mostDeg: 45,
    leverWords: "ankle to the ball of the foot",
  },
};

export const isKneeMovement = (m: Movement): m is "knee_extension" | "knee_flexion" =>
  MOVEMENTS[m].joint === "knee";
