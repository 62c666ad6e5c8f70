import * as Comlink from "comlink";
import { simulateSession } from "../core/dose/sessionFatigue";

const door = { simulate: simulateSession };
export type SessionFatigueDoor = typeof door;
Comlink.expose(door);
