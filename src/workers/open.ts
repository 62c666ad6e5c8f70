import * as Comlink from "comlink";
import type { FindDoseDoor } from "./findDose.worker";
import type { FindSetUpDoor } from "./findSetUp.worker";
import type { PlanWeeksDoor } from "./planWeeks.worker";
import type { SessionFatigueDoor } from "./sessionFatigue.worker";

/** A worker and its door; whoever opened it ends it. */
export interface OpenWorker<D> {
  door: Comlink.Remote<D>;
  end: () => void;
}

const opened = <D>(worker: Worker): OpenWorker<D> => ({
  door: Comlink.wrap<D>(worker),
  end: () => worker.terminate(),
});
const options = { type: "module" } as const;

// the bundler finds a worker by its literal address: one line each, here and nowhere else
export const openFindDose = () =>
  opened<FindDoseDoor>(new Worker(new URL("./findDose.worker.ts", import.meta.url), options));
export const openFindSetUp = () =>
  opened<FindSetUpDoor>(new Worker(new URL("./findSetUp.worker.ts", import.meta.url), options));
export const openSessionFatigue = () =>
  opened<SessionFatigueDoor>(new Worker(new URL("./sessionFatigue.worker.ts", import.meta.url), options));

export const openPlanWeeks = () =>
  opened<PlanWeeksDoor>(new Worker(new URL("./planWeeks.worker.ts", import.meta.url), options));

/** A function that the worker may call. */
export const callback = Comlink.proxy;
