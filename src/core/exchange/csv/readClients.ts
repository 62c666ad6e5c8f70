import { CONDITIONS } from "../../rules/conditions";
import { saidWith } from "../../units/said";
import type { FileProblem } from "../clientFile";
import { CLIENT_TABLES, type FileRow } from "../clientFile";
import { type Making, rowsOfNewClient } from "../newRows";
import { type BroughtClient, emptyPlan, type ImportPlan } from "../plan";
import { LEAST_LB, type Line, MOST_LB, massKg, SEXES, SIDES } from "./fields";

const CONDITION_WORDS: Readonly<Record<string, string>> = Object.fromEntries(
  CONDITIONS.flatMap((c) => [
    [c.id, c.id],
    [c.name.toLowerCase(), c.id],
  ]),
);

/** Clients of a table: what is not in it is asked by a therapist before anything is planned. */
export function readClients(
  lines: readonly { no: number; line: Line }[],
  m: Making & { today: string },
  isHere: (name: string, birthYear: number) => boolean,
): ImportPlan {
  const problems: FileProblem[] = [];
  const tables: Record<"client" | "episode" | "episode_condition", FileRow[]> = {
    client: [],
    episode: [],
    episode_condition: [],
  };
  const clients: BroughtClient[] = [];
  const seen = new Set<string>();
  for (const { no, line } of lines) {
    const isPounds = line.one("mass_unit", { kg: "kg", lb: "lb", lbs: "lb" }) === "lb";
    const mass = isPounds
      ? line.number("body_mass", LEAST_LB, MOST_LB, "lb")
      : line.number("body_mass", 25, 250, "kg");
    const height = line.number("height_cm", 120, 220, "cm");
    const year = line.number("birth_year", 1900, Number(m.today.slice(0, 4)), "");
    const side = line.one("side", SIDES);
    const beganOn = line.day("began_on", m.today);
    const beganWith = line.one("began_with", { surgery: "surgery", onset: "onset" } as const);
    const sex = line.one("sex", SEXES);
    const words = line.text("condition");
    const name = line.text("name").slice(0, 80);
    const key = `${name.toLowerCase()} ${year}`;
    if (name && year !== null) {
      if (seen.has(key)) line.problems.push({ code: "exchange.client_twice" });
      else if (isHere(name, year)) line.problems.push({ code: "exchange.client_here" });
      seen.add(key);
    }
    for (const said of line.problems) problems.push({ at: `line ${no}`, said });
    if (
      line.problems.length > 0 ||
      mass === null ||
      height === null ||
      year === null ||
      !side ||
      !beganOn ||
      !beganWith
    )
      continue;
    const conditionId = CONDITION_WORDS[words.toLowerCase()] ?? null;
    const rows = rowsOfNewClient(
      {
        key,
        name,
        birthYear: year,
        heightM: Math.round(height) / 100,
        bodyMassKg: Math.round(massKg(mass, isPounds ? "lb" : "kg") * 10) / 10,
        sex,
        side,
        beganOn,
        beganWith,
        conditionId,
        variantId: null,
        words: words.slice(0, 160),
        goal: line.text("goal").slice(0, 200),
      },
      m,
    );
    for (const table of ["client", "episode", "episode_condition"] as const)
      tables[table].push(...rows[table]);
    clients.push({
      id: rows.client[0]?.id as string,
      name,
      conditions: [
        conditionId
          ? saidWith("exchange.condition_brought", {
              name: words,
              since: beganOn,
              phase: null,
              isConfirmed: false,
            })
          : saidWith("exchange.condition_unknown", { words }),
      ],
      limits: [],
      signs: [],
      counts: { tests: 0, sheets: 0, visits: 0 },
    });
  }
  return {
    ...emptyPlan(problems),
    tables: (["client", "episode", "episode_condition"] as const).map((table) => ({
      table,
      key: "id",
      columns: Object.keys(CLIENT_TABLES[table].row.shape),
      rows: tables[table],
    })),
    clients,
    notes: clients.length > 0 ? [STRICT_NOTE] : [],
  };
}

/** What holds for clients whose story was not in the file. */
export const STRICT_NOTE = { code: "exchange.story_strict" };
