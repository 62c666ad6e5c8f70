import "server-only";
import { keptOffers, keptSet, keptStation } from "@/core/sheet/line/keptLine";
import { scheme } from "@/core/sheet/schemes/scheme";
import type { LineOfVisit } from "@/core/visit/capacity/capacityEvents";
import { type Ctx, dayOf } from "../base/context";
import { untilChanged } from "../base/untilChanged";
import { stands } from "./records";

// ten years of sets are read once, until something of the episode changes
const kept = untilChanged<LineOfVisit[]>("lines done", 60);

/** Every line of an episode that capacity can learn from, with what was logged of it and stands, the oldest first. */
export const linesDone = (ctx: Ctx, episodeId: string): Promise<LineOfVisit[]> =>
  kept(ctx, episodeId, () => readLines(ctx, episodeId));

async function readLines(ctx: Ctx, episodeId: string): Promise<LineOfVisit[]> {
  const rows = await ctx.tx<
    {
      id: string;
      started_at: Date;
      saved_at: Date;
      station: unknown;
      sets: unknown;
      scheme: unknown;
      offers: unknown;
      machine_id: string | null;
      done: unknown[][];
    }[]
  >`
      select v.id, v.started_at, w.made_at as saved_at, l.kept -> 'station' as station, l.kept -> 'sets' as sets, l.kept -> 'scheme' as scheme,
        l.kept -> 'offers' as offers, l.kept ->> 'machineId' as machine_id,
        json_agg(json_build_array(r.leg, r.set_no, r.load_kg, r.reps, r.reserve, r.felt, r.early, r.worked_s, r.pain, r.worn, r.help)
          order by r.started_at, r.id) as done
      from visit v join sheet_version w on w.id = v.version_id join sheet_line l on l.version_id = v.version_id
      join set_record r on r.visit_id = v.id and r.line_id = l.line_id and r.exercise_id = l.exercise_id
      where v.episode_id = ${episodeId} and jsonb_typeof(l.kept -> 'station') = 'object'
        and ${stands(ctx)}
      group by v.id, w.id, l.version_id, l.line_id order by v.started_at, v.id, l.line_id`;
  return rows.map((r) => ({
    visitId: r.id,
    on: dayOf(ctx, r.started_at),
    savedOn: dayOf(ctx, r.saved_at),
    kept: {
      station: keptStation.parse(r.station),
      sets: keptSet.array().parse(r.sets),
      scheme: scheme
        .optional()
        .catch(undefined)
        .parse(r.scheme ?? undefined),
      machineId: r.machine_id,
      offers: keptOffers.nullish().parse(r.offers),
    },
    records: r.done.map(fromList),
  }));
}

/** In the order of the columns. */
const fromList = (r: unknown[]): LineOfVisit["records"][number] => {
  const [leg, setNo, loadKg, reps, reserve, felt, early, workedS, pain, worn, help] = r as never[];
  return {
    leg,
    setNo,
    loadKg,
    reps,
    reserve,
    felt,
    early,
    workedS,
    pain,
    worn,
    help,
  } as unknown as LineOfVisit["records"][number];
};
