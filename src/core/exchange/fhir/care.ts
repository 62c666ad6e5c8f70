import { conditionById } from "../../rules/conditions";
import { redFlagById } from "../../rules/redFlags";
import type { KeptLine } from "../../sheet/line/keptLine";
import { type SayIt, saidWith } from "../../units/said";
import { signsSaid } from "../../visit/signs/recheckSigns";
import { stopSaid } from "../../visit/signs/stopReasons";
import type { ClientFile } from "../clientFile";
import { coded, instant, note, type Resource, toId, type Written } from "./resource";

type Rows = ClientFile["rows"];
const CLINICAL = "http://terminology.hl7.org/CodeSystem/condition-clinical";

/** Conditions with the phase they are in. */
export const conditions = (rows: Rows, subject: string): Resource[] =>
  rows.episode_condition.map((c) => {
    const known = conditionById(c.condition_id);
    const episode = rows.episode.find((e) => e.id === c.episode_id);
    const isOver = c.ended_on !== null || episode?.closed_on != null;
    return {
      resourceType: "Condition",
      id: c.id,
      clinicalStatus: {
        coding: [{ system: CLINICAL, code: isOver ? "inactive" : "active" }],
      },
      code: coded(c.condition_id, known?.name ?? c.condition_id, "urn:bexlo:condition"),
      bodySite: [{ text: `${episode?.side ?? ""} ${known?.main_region ?? "leg"}`.trim() }],
      subject: toId(subject),
      onsetDateTime: c.began_on,
      recordedDate: instant(c.set_at),
      recorder: toId(c.set_by),
      stage: [{ summary: { text: known?.phases.find((p) => p.id === c.phase_id)?.name ?? c.phase_id } }],
    };
  });

/** What the care is about where the rules know no such condition: as text, in the words of the story. */
export const uncoveredConditions = (rows: Rows, subject: string, { idOf, say }: Written): Resource[] =>
  rows.episode
    .filter((e) => !rows.episode_condition.some((c) => c.episode_id === e.id && c.ended_on === null))
    .map((e) => ({
      resourceType: "Condition",
      id: idOf(`condition ${e.id}`),
      clinicalStatus: { coding: [{ system: CLINICAL, code: e.closed_on === null ? "active" : "inactive" }] },
      code: { text: e.condition || say({ code: "bundle.not_said" }) },
      bodySite: [{ text: `${e.side} leg` }],
      subject: toId(subject),
      onsetDateTime: e.began_on,
    }));

const dose = (l: KeptLine, say: SayIt): string => {
  const work = l.sets.filter((s) => s.role === "work");
  const first = work[0];
  if (!first) return "";
  const { holds, reps, workS, how } = first;
  const { fromDeg, toDeg, painMax } = l;
  return say(
    saidWith("bundle.dose", { sets: work.length, holds, reps, workS, how, fromDeg, toDeg, painMax }),
  );
};

/** Sheets as plans of care, each line as what was asked for; the newest version counts. */
export function plans(rows: Rows, subject: string, { idOf, say }: Written): Resource[] {
  return rows.sheet.flatMap((s): Resource[] => {
    const newest = rows.sheet_version
      .filter((v) => v.sheet_id === s.id)
      .reduce<Rows["sheet_version"][number] | null>((a, v) => (a && a.version >= v.version ? a : v), null);
    if (!newest) return [];
    const status = s.retired_at === null ? "active" : "completed";
    const asked = rows.sheet_line
      .filter((l) => l.version_id === newest.id && l.kept)
      .map((l): Resource => {
        const kept = l.kept as KeptLine;
        return {
          resourceType: "ServiceRequest",
          id: idOf(`${newest.id} ${l.line_id}`),
          status,
          intent: "plan",
          code: coded(l.exercise_id, kept.name, "urn:bexlo:exercise"),
          subject: toId(subject),
          authoredOn: instant(newest.made_at),
          requester: toId(newest.made_by),
          patientInstruction: dose(kept, say),
        };
      });
    return [
      {
        resourceType: "CarePlan",
        id: s.id,
        status,
        intent: "plan",
        title: s.name,
        subject: toId(subject),
        created: instant(s.made_at),
        author: toId(s.made_by),
        ...(asked.length > 0 ? { activity: asked.map((a) => ({ reference: toId(a.id) })) } : {}),
      },
      ...asked,
    ];
  });
}

/** Visits that were finished, with what came out and what was decided. */
export function procedures(rows: Rows, subject: string, say: SayIt): Resource[] {
  const versions = new Map(rows.sheet_version.map((v) => [v.id, v.sheet_id]));
  return rows.visit.flatMap((v): Resource[] => {
    const end = rows.visit_end.find((e) => e.visit_id === v.id);
    if (!end) return [];
    const sheetId = versions.get(v.version_id);
    const decided = rows.decision.filter((d) => d.visit_id === v.id).map((d) => d.sentence);
    const [from, to] = [instant(v.started_at), instant(end.ended_at)].sort();
    return [
      {
        resourceType: "Procedure",
        id: v.id,
        ...(sheetId ? { basedOn: [toId(sheetId)] } : {}),
        status: end.stopped === null ? "completed" : "stopped",
        code: coded("visit", say({ code: "bundle.visit" })),
        subject: toId(subject),
        performedPeriod: { start: from, end: to },
        performer: [{ actor: toId(v.started_by) }],
        ...(end.stopped ? { statusReason: { text: say(stopSaid(end.stopped)) } } : {}),
        ...note(
          [
            end.pain_at_start === null
              ? ""
              : say(saidWith("bundle.visit_pain", { before: end.pain_at_start, after: end.pain_at_end })),
            ...decided,
          ]
            .filter(Boolean)
            .join(" "),
        ),
      },
    ];
  });
}

/** Warning signs that stand: answered yes or unsure, or found before or after a visit, and not cleared. */
export function issues(rows: Rows, subject: string, { idOf, say }: Written): Resource[] {
  const cleared = new Set(rows.screening_clearance.map((c) => `${c.screening_id} ${c.question_id}`));
  const clearedChecks = new Set(rows.recheck.map((r) => r.clears));
  const of = (id: string, at: string, words: string): Resource => ({
    resourceType: "DetectedIssue",
    id,
    status: "preliminary",
    severity: "high",
    code: { text: say({ code: "bundle.sign" }) },
    patient: toId(subject),
    identifiedDateTime: instant(at),
    detail: words,
  });
  return [
    ...rows.screening_answer
      .filter((a) => a.answer !== "no" && !cleared.has(`${a.screening_id} ${a.question_id}`))
      .flatMap((a) => {
        const screening = rows.screening.find((s) => s.id === a.screening_id);
        return screening
          ? [
              of(
                idOf(`${a.screening_id} ${a.question_id}`),
                screening.answered_at,
                say(
                  saidWith("bundle.sign_answered", {
                    question: redFlagById(a.question_id)?.question ?? a.question_id,
                    answer: a.answer,
                  }),
                ),
              ),
            ]
          : [];
      }),
    ...rows.recheck
      .filter((r) => !r.is_clear && r.clears === null && !clearedChecks.has(r.id))
      .map((r) => of(r.id, r.at, say(r.what ? signsSaid(r.what) : { code: "bundle.sign_unnamed" }))),
  ];
}
