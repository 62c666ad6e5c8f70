import type { RoomWords } from "../message";
import { bundle } from "./bundle";
import { atHome } from "./client/atHome";
import { clientPaper } from "./client/clientPaper";
import { link } from "./client/link";
import { morning } from "./client/morning";
import { desk } from "./desk";
import { drafts } from "./drafts";
import { exchange } from "./exchange";
import { home } from "./home";
import { input } from "./input";
import { path } from "./path";
import { phases } from "./phases";
import { progression } from "./progression";
import { visit } from "./visit";

/** Labels of pages: they say what no room of the core has a code for. */
export const labels = { atHome, clientPaper, link, morning };

/** What schemas and readers of files say: a code of these is text in the core, and `codes.test` holds both ends. */
export const told = { bundle, drafts, exchange, input };

/** What rooms of the core say. */
export const rooms: RoomWords = { desk, home, path, phases, progression, visit };
