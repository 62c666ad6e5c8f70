import * as Comlink from "comlink";
import { simulateSession } from "../core/sheet/effect/sessionFatigue";

const door = { simulate: simulateSession };
export type SessionFatigueDoor = typeof door;
Comlink.expose(door);
