import { type Aim, aimsOf, type Result, type TrialResult } from "./results";

const percent = (x: number): string => `${Math.round(100 * x)} %`;
/** An aim is missed by tenths too. */
const tenths = (x: number): string => `${(100 * x).toFixed(1)} %`;
const one = (x: number): string => x.toFixed(1);

const HEAD = [
  "| | people | 8 weeks | 16 weeks | tenth percentile | flares | swellings | quit | failed sets | effective sets a week | hardest set |",
  "|---|---|---|---|---|---|---|---|---|---|---|",
];
const row = (name: string, r: Result): string =>
  `| ${name} | ${r.people} | ${percent(r.median8)} | ${percent(r.median16)} | ${percent(r.low16)} | ${one(r.flares)} | ${one(r.swellings)} | ${r.quits} | ${percent(r.failed)} | ${one(r.effectiveSets)} | ${percent(r.worstShare)} |`;

const hundredths = (x: number): string => x.toFixed(2);
const SAID: Readonly<Record<Aim["what"], (a: Aim) => string>> = {
  gain: (a) => `gain ${tenths(a.reached)}, asked ${tenths(a.asked)}`,
  above: (a) => `gain ${tenths(a.reached)}, theirs ${tenths(a.asked)}`,
  flares: (a) => `${hundredths(a.reached)} flares, at most ${hundredths(a.asked)}`,
  swellings: (a) => `${hundredths(a.reached)} swellings, at most ${hundredths(a.asked)}`,
  crossings: (a) => `${a.reached} sets above what a graft bears, at most ${a.asked}`,
  failed: (a) => `${tenths(a.reached)} failed sets, at most ${tenths(a.asked)}`,
  hardest: (a) => `hardest set ${tenths(a.reached)} of what could be lifted once, at most ${tenths(a.asked)}`,
  outside: (a) => `${a.reached} sets outside the limits`,
  dead_ends: (a) => `${a.reached} lines without a next step`,
};

/** Every policy over all people, and every kind under each; then the aims that are missed. */
export function tableOf(result: TrialResult): string {
  const { policies } = result;
  const missed = aimsOf(result).filter((a) => !a.isMet);
  return [
    ...HEAD,
    ...policies.map((p) => row(p.name, p)),
    "",
    ...policies.flatMap((p) => [
      `### ${p.name}`,
      "",
      ...HEAD,
      ...Object.entries(p.byKind).map(([kind, r]) => row(kind, r)),
      "",
    ]),
    "### Aims that are missed",
    "",
    ...(missed.length === 0 ? ["None."] : missed.map((a) => `- ${a.of}: ${SAID[a.what](a)}`)),
    "",
  ].join("\n");
}

/** The same as a page. */
export const pageOf = (result: TrialResult): string => `# Sixteen weeks with people who adapt

Made by \`npm run trial -- --page docs/trial.md\`: made-up people with a hidden strength, a hidden potential and a hidden
tolerance of what is sore live sixteen weeks under Bexlo's own rules, a therapist taking every draft and every decision as it
stands, and under three other ways of dosing, on the same chance. \`card\` is three times ten at a guessed load, a step a week;
\`textbook\` three times ten at 70 % of a test, tested again at week eight; \`clairvoyant\` knows strength and tissue and is bound
by the limits alone. Gains are of the muscles that the phase is for, medians over people. The laws stand in \`trial/body.ts\`
and under T in [rules.md](rules.md): orders of magnitude for comparing ways of dosing, never a forecast for a client.

${tableOf(result)}`;
