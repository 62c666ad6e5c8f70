import type { DemoClient } from "../demoClient";
import { DORRIT } from "./dorrit";
import { IDONY } from "./idony";
import { JORUN } from "./jorun";
import { MAREN } from "./maren";
import { PELL } from "./pell";
import { QUILL } from "./quill";
import { TOVE } from "./tove";

/** The made-up people of the scenario, each at another point of the way. */
export const CLIENTS: DemoClient[] = [TOVE, PELL, JORUN, MAREN, DORRIT, QUILL, IDONY];
