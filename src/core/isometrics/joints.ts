/**
 * Endurance and fatigue constants by joint, written from memory with a confidence each (dosing rules A1, B2).
 * Knee data are mostly extension; knee flexion is [low].
 */
export type EnduranceJoint = "ankle" | "trunk" | "grip" | "elbow" | "knee" | "shoulder" | "general";

export interface JointConstants {
  /** endurance time = b0 · f^(−b1), s (Frey-Law & Avin 2010) */
  b0: number;
  b1: number;
  /** fatigue and recovery rates, 1/s (Frey-Law, Looft & Heitsman 2012) */
  fatigueRate: number;
  recoveryRate: number;
  /** recovery at rest is this many times faster */
  restMultiplier: number;
  confidence: "medium-high" | "medium" | "low";
}

export const JOINTS: Record<EnduranceJoint, JointConstants> = {
  ankle: {
    b0: 34.71,
    b1: 2.06,
    fatigueRate: 0.00589,
    recoveryRate: 0.00058,
    restMultiplier: 15,
    confidence: "medium-high",
  },
  trunk: {
    b0: 22.69,
    b1: 2.27,
    fatigueRate: 0.00755,
    recoveryRate: 0.00075,
    restMultiplier: 15,
    confidence: "medium-high",
  },
  grip: {
    b0: 33.55,
    b1: 1.61,
    fatigueRate: 0.0098,
    recoveryRate: 0.00064,
    restMultiplier: 30,
    confidence: "medium-high",
  },
  elbow: {
    b0: 17.98,
    b1: 2.21,
    fatigueRate: 0.00912,
    recoveryRate: 0.00094,
    restMultiplier: 15,
    confidence: "medium-high",
  },
  knee: {
    b0: 19.38,
    b1: 1.88,
    fatigueRate: 0.015,
    recoveryRate: 0.00149,
    restMultiplier: 15,
    confidence: "medium-high",
  },
  shoulder: {
    b0: 14.86,
    b1: 1.83,
    fatigueRate: 0.0182,
    recoveryRate: 0.00168,
    restMultiplier: 15,
    confidence: "medium-high",
  },
  general: {
    b0: 22.7,
    b1: 1.98,
    fatigueRate: 0.0097,
    recoveryRate: 0.00091,
    restMultiplier: 15,
    confidence: "low",
  },
};
