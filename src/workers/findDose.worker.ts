import * as Comlink from "comlink";
import { type FindDoseInput, type FoundDose, findDose } from "@/core/sheet/draft/findDose";

/** The dose search off the main thread. */
const door = {
  find: (input: FindDoseInput): FoundDose => findDose(input),
};
export type FindDoseDoor = typeof door;

Comlink.expose(door);
