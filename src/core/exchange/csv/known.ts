import { readNumber } from "../../units/readNumber";
import type { Line } from "./fields";

/** A client of the clinic as a line of a table can name one. */
export interface KnownClient {
  clientId: string;
  episodeId: string;
  name: string;
  birthYear: number;
  bodyMassKg: number;
  shankLengthM: number;
  side: "left" | "right";
  beganOn: string;
}

/** The client that a line names by name and year of birth; two that fit are not chosen between. */
export function findClient(line: Line, all: readonly KnownClient[]): KnownClient | null {
  const name = line.text("name").toLowerCase();
  const year = readNumber(line.text("birth_year"));
  if (name === "") return null;
  // a table of our own names clients by their id
  const byId = all.find((c) => c.clientId === name);
  if (byId) return byId;
  const found = all.filter((c) => c.name.toLowerCase() === name && c.birthYear === year);
  if (found.length === 1) return found[0] ?? null;
  line.problems.push(found.length === 0 ? { code: "exchange.no_client" } : { code: "exchange.two_clients" });
  return null;
}
