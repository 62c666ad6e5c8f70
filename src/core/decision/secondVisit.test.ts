import { DRAFTS } from "../drafts/draftData";
import { draftSession } from "../drafts/draftSession";
import { rangeSheet } from "../selection/rank/rangeSheet";
import { USUAL_ORDER } from "../sheet/order/sessionScore";
import { afterFirstVisit } from "../testdata/capacity/firstVisit";
import { draftFor } from "../testdata/draftFor";

/** Of what its scheme wants a line asks at least so much, or a bound that holds it is named. */
const ENOUGH = 0.85;
/** So many people for each phase; more are tried by hand: `BEXLO_PEOPLE=5`. */
const EACH = Number(process.env.BEXLO_PEOPLE ?? 1);

const seeded = (seed: number) => {
  let now = seed;
  const random = () => {
    now = (now * 1664525 + 1013904223) >>> 0;
    return now / 2 ** 32;
  };
  return () => Math.sqrt(-2 * Math.log(random() + 1e-12)) * Math.cos(2 * Math.PI * random());
};

test("from the second visit on nine in ten loaded lines of build and strong ask what their scheme wants, or name what holds them", () => {
  const gauss = seeded(7);
  let [lines, right, firstRight] = [0, 0, 0];
  const inNeed = DRAFTS.map((d) => ({
    ...{ conditionId: d.condition_id, phaseId: d.phase_id, variantId: d.default_variant_id },
    irritability: "low" as const,
  })).filter((x) => ["build", "strong"].includes(draftFor(x).facts.stage));
  for (const x of inNeed) {
    const { facts, context } = draftFor(x);
    const wish = { place: "gym" as const, minutes: 45 };
    const drafted = draftSession(facts, rangeSheet(context.sheet), context, wish, USUAL_ORDER).lines;
    for (let person = 0; person < EACH; person++) {
      const stations = new Map<string, number>();
      const station = (id: string) => {
        const own = stations.get(id) ?? Math.exp(0.2 * gauss());
        stations.set(id, own);
        return own;
      };
      const found = afterFirstVisit(
        drafted,
        context,
        { school: context.known.isPostOp ? "post_op" : "monitoring", irritability: "low" },
        { strength: Math.exp(0.3 * gauss()), station, understates: 1 },
      );
      for (const { first, second } of found) {
        const load = second?.load;
        const moves = ["straight", "ramp", "light"].includes(second?.line.scheme.kind ?? "");
        if (!load?.setting?.loads.length || !moves) continue;
        lines++;
        const asks = (l: typeof load) => (l.share ?? 0) / (l.wantedShare ?? 1) >= ENOUGH;
        if (asks(load) || load.next?.because) right++;
        if (first.load && asks(first.load)) firstRight++;
      }
    }
  }
  expect(lines).toBeGreaterThan(100);
  expect(right / lines).toBeGreaterThanOrEqual(0.9);
  // the first visit begins at the careful end (the body alone as it is): what is gained is learnt, not guessed
  expect(firstRight / lines).toBeLessThan(0.4);
});
