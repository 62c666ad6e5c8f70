import "server-only";
import { chairRise } from "@/core/selection/tissue/tissues";
import type { KeptLine } from "@/core/sheet/line/keptLine";
import type { ToldDecision } from "@/words/en/numbers/told";
import type { Ctx } from "../base/context";
import type { ClientEpisode } from "../client/clients";
import { type ChooseFacts, knownFacts } from "../facts/choose";
import { recentVisits } from "../history/visits";
import { sheetsOf } from "../versions/sheets";
import { type StanceQuestion, stanceQuestions } from "./sides";

/** What is told to the client: their own numbers, the lines that they do, the last decision, and where schools differ. */
export interface ExplainFacts {
  facts: ChooseFacts;
  chair: NonNullable<ReturnType<typeof chairRise>> | null;
  lines: KeptLine[];
  decision: ToldDecision | null;
  stances: StanceQuestion[];
}

export async function explainFacts(ctx: Ctx, client: ClientEpisode): Promise<ExplainFacts> {
  const facts = await knownFacts(ctx, client);
  const lines = (await sheetsOf(ctx, client.episodeId)).flatMap((s) =>
    s.lines.flatMap((l) => (l.kept ? [l.kept] : [])),
  );
  const decided =
    (await recentVisits(ctx, client.episodeId)).findLast((v) => v.decisions.length > 0)?.decisions ?? [];
  // what went back is what is asked about; else the first
  const d = decided.find((x) => x.action === "REGRESS" || x.action === "STOP_REFER") ?? decided[0];
  return {
    facts,
    chair: chairRise(facts.body),
    lines,
    decision: d
      ? {
          line: lines.find((l) => l.lineId === d.lineId)?.name ?? "Everything",
          action: d.action,
          sentence: d.sentence,
          reasons: d.reasons,
        }
      : null,
    stances: await stanceQuestions(ctx, client),
  };
}
