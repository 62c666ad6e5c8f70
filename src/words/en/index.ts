import type { RoomWords } from "../message";
import { atHome } from "./client/atHome";
import { clientPaper } from "./client/clientPaper";
import { link } from "./client/link";
import { morning } from "./client/morning";
import { desk } from "./desk";
import { bundle } from "./files/bundle";
import { exchange } from "./files/exchange";
import { home } from "./home";
import { input } from "./input";
import { due } from "./numbers/due";
import { review } from "./numbers/review";
import { told } from "./numbers/told";
import { work } from "./numbers/work";
import { path } from "./path";
import { phases } from "./phases";
import { bound } from "./plan/bounds";
import { choose, compare } from "./plan/choose";
import { drafts } from "./plan/drafts";
import { fit } from "./plan/fit";
import { gate, held, line, order } from "./plan/line";
import { setUp } from "./plan/setUp";
import { progression } from "./progression";
import { screening } from "./screening";
import { floor } from "./visit/floor";
import { visit } from "./visit/visit";

/** Labels of pages: they say what no room of the core has a code for. */
export const labels = { atHome, clientPaper, link, morning };

/** What schemas and readers of files say: a code of these is text in the core, and `words.test` holds both ends. */
export const coded = {
  bundle,
  choose,
  compare,
  drafts,
  due,
  exchange,
  fit,
  floor,
  gate,
  held,
  input,
  bound,
  line,
  order,
  review,
  screening,
  setUp,
  told,
  work,
};

/** What rooms of the core say. */
export const rooms: RoomWords = { desk, home, path, phases, progression, visit };
