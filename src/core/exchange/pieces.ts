/** A file that comes in is kept in parts of this size, the last one as long as is left. */
export const PART_BYTES = 1_048_576;
/** It is sent in pieces of whole parts: what is lost on the way is one piece. */
export const PIECE_BYTES = 4 * PART_BYTES;

/** What is here of a file that is on its way. */
export interface Arrived {
  haveBytes: number;
  /** SHA-256 of each part that is here, hexadecimal: whether a file is the one that was begun */
  digests: string[];
}
