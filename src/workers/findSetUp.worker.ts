import * as Comlink from "comlink";
import { familyById } from "@/core/equipment/families";
import type { Machine } from "@/core/equipment/machine";
import type { Exercise } from "@/core/rules/exercises";
import type { AllowedArc } from "@/core/selection/fit/allowedArc";
import type { ExerciseUse } from "@/core/selection/fit/exerciseUse";
import { findSetUp, type SearchResult, type SearchWish } from "@/core/selection/search/findSetUp";
import type { RowContext } from "@/core/selection/setUp/row";
import { InputError } from "@/core/units/inputError";

/** What crosses to the worker: plain data; the family is looked up on this side. */
export interface SearchInput {
  exercise: Exercise;
  use: ExerciseUse;
  machine: Machine;
  allowed: AllowedArc;
  ctx: RowContext;
  wish: SearchWish;
}

/** The search for a set-up off the main thread; it is cancelled by ending the worker. */
const door = {
  find: (input: SearchInput, onProgress: (share: number) => void): SearchResult & { tookMs: number } => {
    const family = familyById(input.machine.family);
    if (!family) throw new InputError("machine", "This kind of machine has no model.");
    const from = performance.now();
    const found = findSetUp(
      input.exercise,
      input.use,
      { machine: input.machine, id: null, family },
      input.allowed,
      input.ctx,
      input.wish,
      onProgress,
    );
    return { ...found, tookMs: performance.now() - from };
  },
};
export type FindSetUpDoor = typeof door;

Comlink.expose(door);
