import { limbGravityTorqueNm } from "../../body/limbGravity";
import { bodyFrom } from "../../body/segments";
import { loadSteps } from "../../equipment/loadSteps";
import { shareForFeltEffort } from "../../isometrics/effortConversion";
import { meanEnduranceS, plannedEnduranceS, shareOfEndurance } from "../../isometrics/enduranceTime";
import { anchoredModel, timeToFailureS } from "../../isometrics/fatigueModel";
import { personalFactor } from "../../isometrics/personalFactor";
import { simulateHolds } from "../../isometrics/simulateHolds";
import { sitToStandBelow, sitToStandPowerW } from "../../measure/sitToStand";
import { decide } from "../../progression/decide";
import { ladder } from "../../progression/ladder";
import { balanceOf, creditedTo } from "../../schedule/balance";
import { solveWeek } from "../../schedule/block/solveWeek";
import { muscleTorqueNm } from "../../strength/forceToTorque";
import { hamstringQuadriceps } from "../../strength/hamstringQuadriceps";
import { changeAgainstError, minimalDetectableChangePct } from "../../strength/measurementError";
import { pickTrials } from "../../strength/pickTrials";
import { estimate1RM, kFactor } from "../../strength/repetitionMaximum";
import { limbSymmetry, reaches } from "../../strength/symmetry";
import {
  holdForShare,
  repetitionSeconds,
  roundLoad,
  setsToReserve,
  tensionPerSideS,
} from "../../testdata/byFormula";
import reference from "../../testdata/dosing.reference.json";
import { findDose } from "../draft/findDose";
import { jumpPlan, workingLoad } from "../load/workingLoad";
import { accumulatedSet, climbing, twoUpOneDownLoad } from "../schemes/specialSets";
import { stretchPlan } from "../schemes/stretchPlan";
import { exerciseSeconds } from "../time/holdSeconds";
import { hardRepetitions } from "./repetitionFatigue";

// biome-ignore lint/suspicious/noExplicitAny: inputs of the reference file differ by function
type Any = any;

const pattern = (i: Any) => ({
  holdS: i.hold,
  reps: i.reps,
  restS: i.rest,
  sets: i.sets,
  setRestS: i.setRest,
});
const simulated = (i: Any, slowShare?: number) => {
  const r = simulateHolds(i.joint, i.f, pattern(i), { slowShare });
  return {
    effort10: r.effort10,
    brain10: r.brain10,
    peakShare: r.peakShare,
    RC: r.remaining,
    failBout: r.failBout,
    failSecond: r.failSecondS,
  };
};

const round = (x: number, digits: number): number => Number(x.toFixed(digits));
const withReserve = (s: { reps: number; reserve: number }) => ({
  reps: s.reps,
  rirAfter: round(s.reserve, 2),
});
const KINDS: Record<string, string> = {
  "leg press": "press_or_squat",
  "leg curl": "curl",
  "hip abduction": "abduction",
  "calf raise": "calf",
};

/** How each function of the reference file is called here; the traces F14 to F16 are not: what made them is not written down. */
const CALLS: Record<string, (i: Any) => unknown> = {
  etCurve: (i) => meanEnduranceS(i.joint, i.f),
  etPlan: (i) => plannedEnduranceS(i.joint, i.f, i.k),
  shareOfEndurance: (i) => shareOfEndurance(i.joint, i.f, i.hold),
  holdForShare: (i) => {
    const r = holdForShare(i.joint, i.f, i.share);
    return { raw: r.rawS, hold: r.holdS, flag: r.flag };
  },
  personalFactor: (i) =>
    personalFactor(
      i.joint,
      i.tests.map((t: Any) => ({ shareOfMax: t.f, heldS: t.t })),
    ).k,
  timeToFail3CC: (i) => timeToFailureS({ joint: i.joint, kappa: 1, slowShare: 0 }, i.f),
  timeToFailSlow: (i) => timeToFailureS({ joint: i.joint, kappa: 1, slowShare: 0.15 }, i.f),
  anchorKappa: (i) => anchoredModel(i.joint, i.f).kappa,
  simulate: (i) => simulated(i),
  simulateNoSlow: (i) => simulated(i, 0),
  maxIntensity: (i) => shareForFeltEffort(i.joint, pattern(i), i.cap),
  searchWithRelax: (i) => {
    const r = findDose({
      joint: i.joint,
      sharesOfMax: [i.f].flat(),
      targetTensionS: i.targetTUT,
      targetImpulseNms: i.targetImpulse,
      maxTorqueNm: i.mvcTorque,
    });
    if (r.status !== "ok") return r;
    const d = r.dose;
    return {
      status: r.status,
      doseScale: r.doseScale,
      hold: d.holdS,
      reps: d.reps,
      sets: d.sets,
      rest: d.restS,
      setRest: d.setRestS,
      f: d.shareOfMax,
      effort10: d.effort10,
      seconds: d.seconds,
    };
  },
  roundLoad: (i) => roundLoad(loadSteps.parse(i.machine), i.target, i.policy),
  decideRaw: (i) => decide(i),
  scheduleRelaxed: (i) => {
    const kinds = ["strength", "accumulated", "iso", "stretch"] as const;
    const { days, dropped, cost } = solveWeek({
      sheets: kinds.map((kind) => ({
        id: kind,
        kind,
        minutes: i.minutes[kind],
        needsGym: false,
        times: i.demand[kind],
        sets: {},
        kneecapChairS: 0,
        tissue: 0,
        short: null,
        hardFor: kind === "strength" || kind === "accumulated" ? (["quads"] as const) : [],
      })),
      minutes: i.avail,
      gym: i.avail.map(() => true),
      around: "circular",
    });
    return {
      status: "ok",
      strength: days.strength,
      accumulated: days.accumulated?.[0] ?? null,
      iso: days.iso,
      stretch: days.stretch,
      dropped: Object.fromEntries(dropped.map((d) => [d.sheetId, d.times])),
      cost: round(cost, 3),
    };
  },
  ladder: (i) =>
    ladder({
      fromDeg: i.from,
      toDeg: i.to,
      irritability: i.irritability,
      school: i.school,
      blockedDeg: i.blocked,
    }),
  mdcPct: (i) => minimalDetectableChangePct(i.tePct),
  change: (i) => changeAgainstError(i.before, i.after, i.tePct),
  kFactor: (i) => kFactor(i.reps),
  estimate1RM: (i) => estimate1RM(i.load, i.reps, i.rir),
  lsiInterval: (i) => {
    const s = limbSymmetry(i.inv, i.uninv, i.tePct);
    return s && { lsi: s.lsiPct, low: s.lowPct, high: s.highPct, clear: reaches(s, 90) };
  },
  hq: (i) => hamstringQuadriceps(i.ham, i.quad),
  powerSTS30: (i) => sitToStandPowerW(i.bodyMass, i.height, i.chair, i.reps),
  stsBelow: (i) => sitToStandBelow(i.sex, i.age, i.reps),
  gravityTorque: (i) => limbGravityTorqueNm(bodyFrom(i.bodyMass, 1.7, i.shankLen), i.angleDeg),
  muscleTorque: (i) =>
    muscleTorqueNm({
      movement: `knee_${i.direction}` as "knee_extension",
      forceN: i.forceN,
      leverArmM: i.lever,
      pullAngleDeg: i.pullAngleDeg,
      kneeFlexionDeg: i.flexDeg,
      zeroedRelaxed: false,
      body: bodyFrom(i.bodyMass, 1.7, i.shankLen),
    }),
  pickTrials: (i) => pickTrials(i.values),
  workingLoad: (i) => workingLoad(i.oneRM, i.reps, i.rir),
  jumpPlan: (i) => ({ ...jumpPlan(i.load, i.next, i.bottom, i.rirTarget), note: null }),
  hardReps: (i) => hardRepetitions(i.reps, i.rirEnd),
  setsToTarget: (i) => setsToReserve(i.p, i.sets, i.restSec, i.rir).map(withReserve),
  accumulatedSet: (i) => {
    const r = accumulatedSet(i.p, i.restSec, i.total);
    return r.status === "too-heavy"
      ? { status: r.status, firstBoutPossible: r.firstBoutPossible, suggestPct: round(r.suggestShare, 2) }
      : { ...r, bouts: r.bouts.map(withReserve) };
  },
  climbSixes: (i) => {
    const r = climbing(i.oneRM, i.start, i.plate, 6);
    return {
      sets: r.sets.map((s) => ({ load: s.load, rir: round(s.reserve, 1) })),
      n: r.sets.length,
      status: r.status,
    };
  },
  twoUpLoad: (i) => twoUpOneDownLoad(i.bilateral1RM),
  stretchPlan: (i) => {
    const r = stretchPlan(i.totalSec, i.tolerated);
    return { n: r.holds, each: r.eachS, total: r.totalS, seconds: r.seconds, flag: r.flag };
  },
  dynamicSeconds: (i) => {
    const t = {
      sets: i.sets,
      reps: i.reps,
      tempo: { liftS: i.con, topS: i.top, lowerS: i.ecc, bottomS: i.bottom },
      setRestS: i.setRest,
      sides: i.sides,
      inTurns: !i.sequential,
    };
    return { tutPerSide: tensionPerSideS(t), seconds: repetitionSeconds(t) };
  },
  balanceWeek: (i) => {
    const totals = creditedTo(i.list.map((x: Any) => ({ kind: KINDS[x.name], amount: x.hard })));
    const r = balanceOf(totals);
    const two = (x: number | null) => (x === null ? null : round(x, 2));
    return {
      totals,
      // notes of a single session gave way to the bands of the week (rule D1)
      notes: [],
      hamsPerQuads: two(r.hamsPerQuads),
      adPerAb: two(r.adPerAb),
      calvesPerQuads: two(r.calvesPerQuads),
    };
  },
  exerciseSeconds: (i) => exerciseSeconds(pattern(i), i.sides),
};

function expectMatch(got: Any, want: Any, tol: number, path: string): void {
  if (want === "Infinity") {
    expect(got).toBe(Number.POSITIVE_INFINITY);
    return;
  }
  if (typeof want === "number") {
    const allowed = tol * Math.max(1, Math.abs(want)) + 1e-9;
    if (!(Math.abs(got - want) <= allowed))
      throw new Error(`${path}: got ${got}, want ${want} within ${allowed}`);
    return;
  }
  if (want !== null && typeof want === "object") {
    for (const key of Object.keys(want)) expectMatch(got?.[key], want[key], tol, `${path}.${key}`);
    if (Array.isArray(want)) expect(got).toHaveLength(want.length);
    return;
  }
  expect(got).toEqual(want);
}

/** Overtaken by rule P2 (with low irritability one good visit is enough for a step) and W3 (the third of anything comes last). */
const OVERTAKEN = new Set(["E23", "G02"]);
const cases = (reference.cases as Any[]).filter((c) => CALLS[c.fn] && !OVERTAKEN.has(c.id));

test("the slice's parts of the reference file are covered", () => {
  expect(cases.length).toBe(119);
});

test.each(cases.map((c) => [c.id, c.fn, c] as const))("reference %s %s", (_id, fn, c) => {
  expectMatch(CALLS[fn]?.(c.input), c.expect, c.tol, c.id);
});
