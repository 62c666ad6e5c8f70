import "server-only";
import { mostOf, whoSet } from "@/core/bounds/inForce";
import type { PaperDoc } from "@/core/paper/doc";
import type { PaperInput } from "@/core/paper/paperInput";
import { exerciseText } from "@/core/rules/exerciseText";
import { ownLines } from "@/core/rules/ownLines";
import { drawingOf } from "@/core/selection/pose/drawing";
import { wornAt } from "@/core/selection/setUp/aid";
import type { KeptLine } from "@/core/sheet/line/keptLine";
import { dayInWords } from "@/core/units/dayInWords";
import { InputError } from "@/core/units/inputError";
import { fromKept } from "@/core/units/said";
import { lineSaid } from "@/core/visit/client/homeSaid";
import { endWords, ORIGIN_WORDS, originsWords } from "@/words/en/plan/bounds";
import { clientSheet, type SheetPaperFacts } from "@/words/papers/clientSheet";
import { type CourseFacts, letter, summary } from "@/words/papers/course";
import { gymCard } from "@/words/papers/gymCard";
import { sayPlainly } from "@/words/say";
import { audit } from "../base/audit";
import { type Ctx, mustMay, today } from "../base/context";
import { boundsOf, painMaxFor, writtenLimits } from "../bounds/limits";
import { cardsOf } from "../choice/cards";
import { bodyOf, type ClientEpisode, clientEpisode } from "../client/clients";
import { conditionsOf } from "../client/conditions";
import { exercisesOf } from "../clinic/exercises";
import { machinesOf } from "../clinic/machines";
import { kneeWindowOf } from "../facts/windows";
import { wornFacts } from "../history/aids";
import { episodesToReview, type PastEpisode } from "../review/episode";
import { reviewFactsOf } from "../review/facts";
import { type SheetVersion, sheetsOf } from "../versions/sheets";
import { firstSideOf } from "../visits/running";
import { blockOf } from "../week/blocks";

const NEXT_DAYS = 4;

/** A paper about a client, all but its record of changes; that it was made is kept in the record. */
export async function paperOf(
  ctx: Ctx,
  clientId: string,
  input: PaperInput & { kind: "sheet" | "card" | "letter" | "summary" },
): Promise<PaperDoc> {
  mustMay(ctx, input.kind === "letter" ? "letter.write" : "client.read");
  const doc = await docOf(ctx, clientId, input);
  await audit(ctx, "paper.make", "client", clientId, null, {
    paper: input.kind,
    ...(input.to ? { to: input.to } : {}),
  });
  return doc;
}

async function docOf(
  ctx: Ctx,
  clientId: string,
  input: PaperInput & { kind: "sheet" | "card" | "letter" | "summary" },
): Promise<PaperDoc> {
  if (input.kind === "summary" || input.kind === "letter") {
    const episodes = await episodesToReview(ctx, clientId);
    const episode = episodes.find((e) => e.episodeId === input.episodeId) ?? (episodes[0] as PastEpisode);
    const facts = await courseFacts(ctx, episode);
    return input.kind === "summary"
      ? summary(facts)
      : letter(facts, { to: input.to, questions: input.questions, by: ctx.actor.name });
  }
  const client = await clientEpisode(ctx, clientId);
  const sheets = await sheetsOf(ctx, client.episodeId);
  const sheet = sheets.find((s) => s.sheetId === input.sheetId) ?? sheets[0];
  if (!sheet) throw new InputError("sheetId", "There is no sheet in force: plan one in Dose first.");
  return input.kind === "sheet" ? sheetPaper(ctx, client, sheet) : cardPaper(ctx, client, sheet);
}

const keptOf = (sheet: SheetVersion): KeptLine[] => sheet.lines.flatMap((l) => (l.kept ? [l.kept] : []));
const loadOf = (kept: KeptLine): number => kept.sets.find((s) => s.role === "work")?.loadKg ?? 0;

async function drawn(ctx: Ctx, client: ClientEpisode) {
  const machines = (await machinesOf(ctx)).map(({ version: _version, isRetired: _retired, ...m }) => m);
  const body = bodyOf(client);
  return (kept: KeptLine) => drawingOf(kept, body, machines, loadOf(kept));
}

async function sheetPaper(ctx: Ctx, client: ClientEpisode, sheet: SheetVersion): Promise<PaperDoc> {
  const [draw, block] = [await drawn(ctx, client), await blockOf(ctx, client.episodeId)];
  const exercises = (await exercisesOf(ctx)).map((e) => e.exercise);
  const [own, worn] = [await ownIds(ctx, client), await wornFacts(ctx, client.episodeId)];
  const next = (block?.days ?? [])
    .filter((d) => d.sheetId === sheet.sheetId && d.on >= today(ctx))
    .slice(0, NEXT_DAYS);
  const facts: SheetPaperFacts = {
    client: client.name,
    on: today(ctx),
    sheet: sheet.name,
    firstSide: await firstSideOf(ctx, client),
    painMax: await painMaxFor(ctx, client),
    lines: keptOf(sheet).map((kept) => {
      const exercise = exercises.find((e) => e.id === kept.exerciseId);
      return {
        kept,
        text: exercise ? exerciseText(exercise, client.language, own) : null,
        worn: wornAt(worn, kept.exerciseId),
        drawing: draw(kept),
      };
    }),
    next: next.map((d) => ({ on: d.on, at: d.at })),
  };
  return clientSheet(facts, { language: client.language, massUnit: ctx.actor.massUnit });
}

const ownIds = async (ctx: Ctx, client: ClientEpisode): Promise<ReadonlySet<string>> =>
  new Set((await conditionsOf(ctx, client.episodeId)).map((c) => c.condition.id));

async function cardPaper(ctx: Ctx, client: ClientEpisode, sheet: SheetVersion): Promise<PaperDoc> {
  const [own, worn] = [await ownIds(ctx, client), await wornFacts(ctx, client.episodeId)];
  const [draw, cards] = [await drawn(ctx, client), await cardsOf(ctx, client.episodeId)];
  const card = {
    client: client.name,
    on: dayInWords(today(ctx)),
    firstSide: await firstSideOf(ctx, client),
    lines: keptOf(sheet).map((kept) => ({
      kept: { ...kept, checks: ownLines(kept.checks, own) },
      drawing: draw(kept),
      worn: wornAt(worn, kept.exerciseId),
      stopSigns: cards.find((c) => c.exerciseId === kept.exerciseId)?.stopSigns ?? [],
    })),
  };
  return gymCard(card, sayPlainly);
}

async function courseFacts(ctx: Ctx, e: PastEpisode): Promise<CourseFacts> {
  const facts = await reviewFactsOf(ctx, e);
  const base = {
    client: e.name,
    birthYear: e.birthYear,
    condition: e.condition,
    side: e.side,
    beganOn: e.beganOn,
    beganWith: e.beganWith,
    today: today(ctx),
    facts,
  };
  if (!e.isOpen) return { ...base, doing: [], limits: [] };
  const client = await clientEpisode(ctx, e.clientId);
  const [bounds, window, written] = [
    await boundsOf(ctx, client),
    await kneeWindowOf(ctx, client),
    await writtenLimits(ctx, client.episodeId),
  ];
  const firstSide = await firstSideOf(ctx, client);
  const ends = [...new Set([endWords(window.from), endWords(window.to)])].filter(Boolean);
  return {
    ...base,
    doing: (await sheetsOf(ctx, client.episodeId)).flatMap((s) =>
      keptOf(s).flatMap((k) => {
        const line = lineSaid(k, firstSide);
        return line ? [`${k.name}: ${sayPlainly(line)}`] : [];
      }),
    ),
    limits: [
      window.isEmpty
        ? "no knee angle is open under load"
        : `knee bend under load ${window.fromDeg}° to ${window.toDeg}°${ends.length > 0 ? ` (${ends.join(" and ")})` : ""}`,
      `joint pain at most ${mostOf(bounds, "joint_pain")} of 10 (${originsWords(whoSet(bounds, "joint_pain"))})`,
      ...written.map(
        (l) => `${sayPlainly(fromKept(l.reason))} (${ORIGIN_WORDS[l.origin]}, ${dayInWords(l.on)})`,
      ),
    ],
  };
}
