import type { AcrossOrder } from "@/core/review/across/acrossClients";
import type { Mean, Share } from "@/core/review/across/interval";

const percent = (share: number): number => Math.round(100 * share);
const signed = (share: number): string => `${share < 0 ? "−" : "+"}${Math.abs(percent(share))}`;

/** "3 of 40, 4 to 13 %": counted, and where it lies four times in five. */
export const shareWords = (s: Share | null): string =>
  s
    ? `${s.hits} of ${s.of}, ${Math.floor(100 * s.low + 1e-9)} to ${Math.ceil(100 * s.high - 1e-9)} %`
    : "nobody was asked";

/** "+4 % a month, +2 to +6, 6 clients" */
export const gainWords = (g: Mean | null): string =>
  g
    ? `${signed(g.mean)} %, ${signed(g.low)} to ${signed(g.high)}, ${g.of} clients`
    : "not known: too few lifted it often enough";

export const ACROSS_WORDS: Readonly<Record<AcrossOrder, string>> = {
  sore: "sore or swollen the morning after",
  stops: "ended by joint pain",
  gain: "gain of what could be lifted once, a month",
};

export const visitsWords = (a: { visits: number; clients: number }): string =>
  `${a.visits} ${a.visits === 1 ? "visit" : "visits"} of ${a.clients} ${a.clients === 1 ? "client" : "clients"}`;
