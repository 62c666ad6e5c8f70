import * as Comlink from "comlink";
import { buildBlock } from "../core/schedule/block/buildBlock";

const door = { build: buildBlock };
export type PlanWeeksDoor = typeof door;
Comlink.expose(door);
