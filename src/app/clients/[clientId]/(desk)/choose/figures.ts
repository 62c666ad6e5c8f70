import type { AtAngle } from "@/core/selection/rank/compare";
import type { ComputedSetUp } from "@/core/selection/setUp/row";
import { strengthAt } from "@/core/selection/setUp/strengthKnown";
import { REFERENCE_SEAT_M } from "@/core/selection/tissue/tissues";
import type { Computed } from "@/core/units/working/working";
import type { ChooseFacts } from "@/server/facts/choose";

/** Where the force goes through the sole is known to 3 cm: the largest doubt in closed chain (mechanics rules 8). */
const PRESSURE_DOUBT_M = 0.03;
/** A lever that nobody calibrated may be off by so much [own]. */
const LEVER_DOUBT = 0.1;

/** Doubt of the knee's moment at an angle, N·m. */
function momentDoubt(setUp: ComputedSetUp, here: AtAngle): number {
  const isOpen = setUp.angles[0]?.chain === "open";
  if (isOpen) return Math.abs(here.kneeMomentNm) * LEVER_DOUBT;
  return PRESSURE_DOUBT_M * (here.forceN ?? 0);
}

const settingInputs = (setUp: ComputedSetUp) => [
  {
    name: setUp.chosen.id ? "machine" : "machine, a usual one that this gym does not have",
    value: setUp.chosen.machine.name,
    origin: setUp.chosen.id ? ("entered" as const) : ("default" as const),
    from: setUp.chosen.id ? "Gym" : "catalogue",
  },
  { name: "load", value: setUp.how, origin: "entered" as const, from: "a real step" },
];

/** What the knee has to give at the angle. */
export function kneeMoment(setUp: ComputedSetUp, here: AtAngle): Computed {
  return {
    value: Math.abs(here.kneeMomentNm),
    unit: "N·m",
    doubt: momentDoubt(setUp, here),
    origin: "estimated",
    working: {
      formulaId: "mechanics.knee-moment",
      formula:
        "sum over foot and shin of force × distance from the knee, limb weights included, held still or moved slowly; for one leg",
      inputs: [
        ...settingInputs(setUp),
        { name: "share on this leg", value: `${Math.round(setUp.share * 100)} %`, origin: "default" },
        {
          name: "force on it",
          value: here.forceN === null ? "body above the knee" : `${Math.round(here.forceN)} N`,
          origin: "estimated",
        },
        ...(here.kneeArmM === null
          ? []
          : [
              {
                name: "its distance from the knee",
                value: `${Math.round(here.kneeArmM * 100)} cm`,
                origin: "estimated" as const,
              },
            ]),
      ],
      source: "static inverse dynamics (mechanics 3, 5)",
      confidence: "medium",
      cannotTell: "How this client shifts pressure under the foot, sideways loads, or anything done fast.",
    },
  };
}

/** The kneecap joint's load as a multiple of this client's own chair rise. */
export function kneecapLoad(setUp: ComputedSetUp, here: AtAngle): Computed {
  return {
    value: here.kneecapTimes,
    unit: "× chair rise",
    doubt: Math.max(0.1, here.kneecapTimes * (here.deg > 75 ? 0.4 : 0.25)),
    origin: "estimated",
    working: {
      formulaId: "mechanics.kneecap-stress",
      formula:
        "kneecap-joint stress here, divided by the stress of rising from a usual chair with the same body",
      inputs: [
        ...settingInputs(setUp),
        { name: "chair", value: `${REFERENCE_SEAT_M * 100} cm`, origin: "default" },
        { name: "knee flexion", value: `${here.deg}°`, origin: "entered" },
      ],
      source: "quadriceps lever, force ratio and contact area (mechanics 4)",
      confidence: "medium",
      cannotTell:
        "What harms. Absolute stresses run too high above 75°, so only multiples are shown; they compare set-ups of one client.",
    },
  };
}

/** What the hip has to give; null where the thigh rests on the seat and statics cannot tell. */
export function hipMoment(setUp: ComputedSetUp, here: AtAngle, hipIsMeasured = false): Computed | null {
  if (here.hipMomentNm === null) return null;
  return {
    value: Math.abs(here.hipMomentNm),
    unit: here.hipMomentNm >= 0 ? "N·m straight" : "N·m bending",
    doubt: momentDoubt(setUp, here),
    origin: "estimated",
    working: {
      formulaId: "mechanics.hip-moment",
      formula:
        "sum over foot, shin and thigh of force × distance from the hip, limb weights included, for one leg",
      inputs: [
        ...settingInputs(setUp),
        ...(here.hipArmM === null
          ? []
          : [
              {
                name: "force's distance from the hip",
                value: `${Math.round(here.hipArmM * 100)} cm`,
                origin: "estimated" as const,
              },
            ]),
        { name: "hip bend asked", value: `${Math.round(here.hipFlexionDeg)}°`, origin: "estimated" },
        {
          name: "hip bend there is",
          value: `about ${Math.round(here.hipAvailableDeg)}°`,
          origin: hipIsMeasured ? "measured" : "default",
          from: hipIsMeasured ? "hip bend lying, less what the pelvis gives" : "adults",
        },
      ],
      source: "static inverse dynamics (mechanics 3, 4.2)",
      confidence: "medium",
      cannotTell: "How the pelvis really tips: wrong by 10 to 15° until it is looked at on the client.",
    },
  };
}

/** How the shin is pulled, forward or back; below 50 N counts as none. */
export function shinPull(setUp: ComputedSetUp, here: AtAngle): Computed {
  const isForward = here.forwardN > 0;
  const newtons = isForward ? here.forwardN : here.backwardN;
  return {
    value: Math.round(newtons / 50) * 50,
    unit: newtons === 0 ? "N" : isForward ? "N forward" : "N back",
    doubt: Math.max(50, Math.round((newtons * 0.3) / 50) * 50),
    origin: "estimated",
    working: {
      formulaId: "mechanics.shin-shear",
      formula:
        "outside force across the shin + tendon pull × sine of its angle − hamstring pull × sine of its angle; forward: the larger of two muscle assumptions",
      inputs: [...settingInputs(setUp), { name: "knee flexion", value: `${here.deg}°`, origin: "entered" }],
      source: "patellar tendon and hamstring angles (mechanics 4)",
      confidence: "low",
      cannotTell:
        "Whether a graft is safe. The sign hangs on pressure under the foot and the trunk's lean; below 50 N counts as none.",
    },
  };
}

/** Words under the moment: what share of its strength that is. */
export function shareWords(facts: ChooseFacts, direction: "extension" | "flexion", here: AtAngle): string {
  const own = strengthAt(facts.strength, direction, here.deg);
  if (own === null) return "no sure strength at this angle";
  const share = (nm: number) => Math.round((Math.abs(here.kneeMomentNm) / nm) * 100);
  return own.isTested
    ? `${share(own.middle)} % of what it can give here`
    : `about ${share(own.high)} to ${share(own.low)} % of an untested strength`;
}
