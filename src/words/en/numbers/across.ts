import type { AcrossClients, AcrossOrder } from "@/core/review/across/acrossClients";
import type { Mean, Share } from "@/core/review/across/interval";

const signed = (percents: number): string => `${percents < 0 ? "−" : "+"}${Math.abs(percents)}`;

/** "3 of 40, 4 to 13 %": counted, and where it lies four times in five. */
const shareWords = (s: Share | null): string =>
  s
    ? `${s.hits} of ${s.of}, ${Math.floor(100 * s.low + 1e-9)} to ${Math.ceil(100 * s.high - 1e-9)} %`
    : "nobody was asked";

/** "+4 %, +2 to +6, 6 clients" */
const gainWords = (g: Mean | null): string =>
  g
    ? `${signed(Math.round(100 * g.mean))} %, ${signed(Math.floor(100 * g.low + 1e-9))} to ${signed(Math.ceil(100 * g.high - 1e-9))}, ${g.of} clients`
    : "not known: too few lifted it often enough";

export const ACROSS_WORDS: Readonly<Record<AcrossOrder, string>> = {
  sore: "sore or swollen the morning after",
  stops: "ended by joint pain",
  gain: "gain of what could be lifted once, a month",
};

/** One of the results, as it is put in order. */
export const resultWords = (r: NonNullable<AcrossClients["results"]>, by: AcrossOrder): string =>
  by === "gain" ? gainWords(r.gain) : shareWords(r[by]);

export const visitsWords = (a: { visits: number; clients: number }): string =>
  `${a.visits} ${a.visits === 1 ? "visit" : "visits"} of ${a.clients} ${a.clients === 1 ? "client" : "clients"}`;
