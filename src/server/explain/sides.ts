import "server-only";
import { inForce, mostOf } from "@/core/bounds/inForce";
import { boundWord } from "@/core/bounds/kinds";
import { kneeWindow } from "@/core/bounds/window";
import { EXERCISES } from "@/core/rules/exercises";
import { stanceId, stancesOf } from "@/core/rules/stances";
import { fitExercise } from "@/core/selection/fit/fitExercise";
import { type Ctx, today } from "../base/context";
import type { ClientEpisode } from "../client/clients";
import { conditionsOf } from "../client/conditions";
import { limitsUnder } from "../facts/underStance";
import { motionOf } from "../facts/windows";

/** What one answer to a question of schools would leave of this knee today. */
export interface StanceSide {
  optionId: string;
  option: string;
  isInForce: boolean;
  /** open angles under load; null: none */
  window: { fromDeg: number; toDeg: number } | null;
  painMax: number;
  /** what bounds the seated extension, in words */
  extension: string;
  exercises: number;
}

/** A question on which schools differ, with what each answer would do for this client. */
export interface StanceQuestion {
  id: string;
  question: string;
  sides: StanceSide[];
}

/** Every question of schools of the client's conditions, its answers side by side for the same client on the same day. */
export async function stanceQuestions(ctx: Ctx, client: ClientEpisode): Promise<StanceQuestion[]> {
  const conditions = await conditionsOf(ctx, client.episodeId);
  const [motion, day] = [await motionOf(ctx, client), today(ctx)];
  const found: StanceQuestion[] = [];
  for (const c of conditions)
    for (const s of stancesOf(c.condition, c.variantId)) {
      const school = s.id.split(".")[1] ?? "";
      const now = c.choices[school] ?? s.defaultId;
      const sides: StanceSide[] = [];
      for (const o of s.options) {
        const limits = await limitsUnder(ctx, client, conditions, s.id, o.id);
        const bounds = inForce(limits, day);
        const w = kneeWindow(bounds, motion);
        const word = bounds.open_chain_extension?.word ?? null;
        sides.push({
          optionId: o.id,
          option: o.label,
          isInForce: o.id === now,
          window: w.isEmpty ? null : { fromDeg: w.fromDeg, toDeg: w.toDeg },
          painMax: mostOf(bounds, "joint_pain"),
          extension: word === null ? "free" : boundWord("open_chain_extension", word),
          exercises: EXERCISES.filter((e) => fitExercise(e, bounds).status !== "blocked").length,
        });
      }
      if (stanceId(c.condition.id, school) === s.id && sides.length > 1)
        found.push({ id: s.id, question: s.topic, sides });
    }
  return found;
}
