import type { Drawing } from "../selection/pose/drawing";

/** What a paper is made of; who sets it decides on type and place. */
export type Block =
  | { kind: "heading"; words: string }
  | { kind: "text"; words: string; isStrong?: boolean }
  | { kind: "list"; items: string[] }
  | { kind: "table"; columns: string[]; rows: string[][]; widths: number[] }
  /** one exercise: number, name, what to do in large, then small lines; its drawing beside it */
  | { kind: "exercise"; name: string; dose: string; lines: string[]; drawing: Drawing | null }
  /** values to set, each with its name */
  | { kind: "settings"; rows: [string, string][]; drawing: Drawing | null }
  | { kind: "signature"; words: string };

export type PaperSize = "A4" | "LETTER";

/** A whole paper. */
export interface PaperDoc {
  title: string;
  /** whom it is about, and from when */
  about: string;
  blocks: Block[];
  /** for reading while one stands, or by who sees less */
  isLarge: boolean;
  /** what is said at the foot of every page */
  foot: string;
}

/** What stands at the head of a clinic's paper. */
export interface Letterhead {
  name: string;
  address: string;
  contact: string;
  size: PaperSize;
}
