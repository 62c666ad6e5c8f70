import { atHome } from "./atHome";
import { clientPaper } from "./clientPaper";
import { home } from "./home";
import { link } from "./link";
import { morning } from "./morning";
import { visit } from "./visit";

/** The client's own pages and papers; all else is said in the first language. */
export const de = { atHome, clientPaper, home, link, morning, visit };
