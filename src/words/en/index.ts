import type { RoomWords } from "../message";
import { atHome } from "./atHome";
import { clientPaper } from "./clientPaper";
import { desk } from "./desk";
import { home } from "./home";
import { link } from "./link";
import { morning } from "./morning";
import { path } from "./path";
import { phases } from "./phases";
import { progression } from "./progression";
import { visit } from "./visit";

/** Labels of pages: they say what no room of the core has a code for. */
export const labels = { atHome, clientPaper, link, morning };

/** What rooms of the core say. */
export const rooms: RoomWords = { desk, home, path, phases, progression, visit };
