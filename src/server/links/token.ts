import "server-only";
import { createHmac, timingSafeEqual } from "node:crypto";

/**
 * What stands in a link's address: the link's id and a signature by the clinic's key, both in base64url. Nothing in it
 * says who or what it is for, and it cannot be made up: 192 bits of the signature are kept.
 */
const SIGNATURE_BYTES = 24;

const hex = (id: string): Buffer => Buffer.from(id.replaceAll("-", ""), "hex");
const sign = (id: string, key: Buffer): Buffer =>
  createHmac("sha256", key).update(hex(id)).digest().subarray(0, SIGNATURE_BYTES);

export const tokenOf = (id: string, key: Buffer): string =>
  `${hex(id).toString("base64url")}.${sign(id, key).toString("base64url")}`;

/** The id that a token names, unchecked; null where it is no token at all. */
export function idOf(token: string): string | null {
  const [, id] = /^([\w-]{22})\.[\w-]{32}$/.exec(token) ?? [];
  if (!id) return null;
  const h = Buffer.from(id, "base64url").toString("hex");
  return h.replace(/^(.{8})(.{4})(.{4})(.{4})(.{12})$/, "$1-$2-$3-$4-$5");
}

/** Whether the signature is of this id by this key; compared in the same time whatever is wrong. */
export function isSigned(token: string, id: string, key: Buffer): boolean {
  const given = Buffer.from(token.split(".")[1] ?? "", "base64url");
  const right = sign(id, key);
  return given.length === right.length && timingSafeEqual(given, right) && tokenOf(id, key) === token;
}
