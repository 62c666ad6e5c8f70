import fc from "fast-check";
import { daysAfter } from "../../units/days";
import { acrossClients, type ExerciseVisit, LEAST_ACROSS, ranked } from "./acrossClients";
import { meanOf, shareOf } from "./interval";

const DAY = "2026-03-02";
const visit = (client: number, i: number, over: Partial<ExerciseVisit> = {}): ExerciseVisit => ({
  exerciseId: "lp_single",
  client: `c${client}`,
  day: daysAfter(DAY, 7 * i),
  stoppedByPain: false,
  morning: "well",
  best: null,
  ...over,
});
/** So many clients with so many visits each. */
const many = (
  clients: number,
  visits: number,
  over: (c: number, i: number) => Partial<ExerciseVisit> = () => ({}),
) =>
  Array.from({ length: clients * visits }, (_, k) => {
    const [c, i] = [k % clients, Math.floor(k / clients)];
    return visit(c, i, over(c, i));
  });

test("under twenty visits or five clients nothing but the counts is said (Z1)", () => {
  expect(LEAST_ACROSS).toEqual({ visits: 20, clients: 5 });
  const results = (all: ExerciseVisit[]) => acrossClients(all)[0]?.results ?? null;
  expect(results(many(5, 4))).not.toBeNull();
  expect(results(many(5, 4).slice(1))).toBeNull();
  expect(results(many(4, 10))).toBeNull();
  expect(acrossClients(many(4, 10))[0]).toMatchObject({ visits: 40, clients: 4 });
  expect(acrossClients([])).toEqual([]);
});

test("stops are counted of all visits, sore mornings of those that were answered", () => {
  const all = many(5, 8, (c, i) => ({
    stoppedByPain: c === 0 && i < 3,
    morning: i === 0 ? null : i === 1 ? "sore" : "well",
  }));
  expect(acrossClients(all)[0]?.results).toMatchObject({
    stops: { hits: 3, of: 40 },
    sore: { hits: 5, of: 35 },
    gain: null,
  });
});

test("a month's gain is that of each client on one station, not of who came more often, and another machine is another", () => {
  const rising = (c: number, i: number): Partial<ExerciseVisit> => ({
    // two per cent a week; one client came on two machines of other numbers
    best: {
      station: c === 0 && i > 3 ? "other" : "own",
      loadKg: (c + 1) * 20 * 1.02 ** i,
      reps: 10,
      reserve: 2,
    },
  });
  const gain = acrossClients(many(5, 8, rising))[0]?.results?.gain;
  expect(gain?.of).toBe(5);
  expect(gain?.mean).toBeCloseTo(1.02 ** (30 / 7) - 1, 6);
  expect((gain?.high ?? 0) - (gain?.low ?? 0)).toBeLessThan(1e-9);
  // three weeks and three visits are wanted of each, and five clients
  const short = many(5, 4, rising).map((v, k) => ({ ...v, day: daysAfter(DAY, Math.floor(k / 5)) }));
  expect(acrossClients(short)[0]?.results?.gain).toBeNull();
  const light = (c: number, i: number) => {
    const best = rising(c, i).best;
    return { best: best ? { ...best, reps: 19 } : null };
  };
  expect(acrossClients(many(5, 8, light))[0]?.results?.gain).toBeNull();
});

test("the better come first, what nobody knows last, and what is not held against others is not among them", () => {
  const of = (exerciseId: string, sore: number, clients = 5) =>
    many(clients, 6, (c, i) => ({ exerciseId, morning: c * 6 + i < sore ? "sore" : "well" }));
  const unasked = many(5, 6, () => ({ exerciseId: "unasked", morning: null }));
  const all = acrossClients([...of("more", 9), ...unasked, ...of("less", 2), ...of("few", 0, 4)]);
  expect(ranked(all, "sore").map((a) => a.exerciseId)).toEqual(["less", "more", "unasked"]);
});

test("the range of a share holds it, narrows with more, and is none of nothing", () => {
  expect(shareOf(0, 0)).toBeNull();
  expect(shareOf(0, 20)).toMatchObject({ low: 0 });
  expect(shareOf(0, 20)?.high).toBeGreaterThan(0.02);
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 400 }), fc.nat(400), (of, n) => {
      const hits = Math.min(n, of);
      const one = shareOf(hits, of);
      const more = shareOf(4 * hits, 4 * of);
      if (!one || !more) throw new Error("none");
      expect(one.low).toBeLessThanOrEqual(hits / of + 1e-12);
      expect(one.high).toBeGreaterThanOrEqual(hits / of - 1e-12);
      expect(more.high - more.low).toBeLessThan(one.high - one.low);
    }),
  );
  // Wilson's interval of 5 of 20 at 80 %
  expect(shareOf(5, 20)?.low).toBeCloseTo(0.149, 2);
  expect(shareOf(5, 20)?.high).toBeCloseTo(0.388, 2);
});

test("the range of a mean is that of Student's t, near enough, and wider for few", () => {
  expect(meanOf([1])).toBeNull();
  const five = meanOf([1, 2, 3, 4, 5]);
  // 3 ± 1.533 × 1.5811 / √5
  expect((five?.high ?? 0) - 3).toBeCloseTo(1.084, 1);
});
