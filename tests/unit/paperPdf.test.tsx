import { execFileSync } from "node:child_process";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { renderToBuffer } from "@react-pdf/renderer";
import { PaperPdf } from "@/app/_paper/PaperPdf";
import type { Letterhead, PaperDoc, PaperSize } from "@/core/paper/doc";

const folder = mkdtempSync(path.join(tmpdir(), "bexlo-paper-"));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

async function printed(doc: PaperDoc, head: Partial<Letterhead> = {}, size: PaperSize = "A4") {
  const pdf = await renderToBuffer(
    <PaperPdf
      massUnit="kg"
      doc={doc}
      head={{ name: "Made Up Clinic", address: "", contact: "", size, ...head }}
      size={size}
      language="en-GB"
    />,
  );
  const file = path.join(folder, "paper.pdf");
  writeFileSync(file, pdf);
  if (process.env.KEEP_PAPER) writeFileSync(process.env.KEEP_PAPER, pdf);
  const read = (...args: string[]) => execFileSync("pdftotext", [...args, file, "-"], { encoding: "utf8" });
  const boxes = [...read("-bbox").matchAll(/<word xMin="([\d.-]+)" .*?xMax="([\d.-]+)" .*?>(.*?)<\/word>/g)];
  const [, width = "0"] = /<page width="([\d.]+)"/.exec(read("-bbox")) ?? [];
  return {
    text: read("-layout"),
    width: Number(width),
    words: boxes.map(([, from, to, word]) => ({ from: Number(from), to: Number(to), word })),
  };
}

const paper = (over: Partial<PaperDoc>): PaperDoc => ({
  title: "Strength",
  about: "Made Up, 2 March 2026",
  isLarge: true,
  foot: "Made Up",
  blocks: [],
  ...over,
});

test.each([
  ["Greek", "Ελένη Παπαδοπούλου"],
  ["Cyrillic", "Оксана Ґалаґан"],
  ["Vietnamese", "Nguyễn Thị Hồng"],
  ["Hebrew", "נועה"],
  ["Arabic", "ليلى"],
  ["Thai", "สมชาย"],
  ["Han", "王小明"],
  ["Kana", "さくら"],
  ["Hangul", "김민준"],
])("a name in %s letters is printed in them, beside Latin", async (_, name) => {
  const { text } = await printed(paper({ about: `${name}, 2 March 2026` }));
  expect(text).toContain("2 March 2026");
  // at the foot of the page
  expect(text.replaceAll(" ", "")).toContain("1/1");
  expect(text).not.toContain("?");
  for (const letter of name.normalize("NFC").replaceAll(" ", ""))
    expect(text.normalize("NFKC")).toContain(letter.normalize("NFKC"));
});

test("a letter that no typeface has is a question mark, and the paper says so", async () => {
  const { text } = await printed(paper({ about: "Made Up \u{1F9B5}" }));
  expect(text).toContain("Made Up ?");
  expect(text).toContain("printed as ?");
});

const LONG = "Donaudampfschifffahrtsgesellschaftskapitänsmützenabzeichenverordnung".repeat(2);

test.each(["A4", "LETTER"] as const)(
  "no word leaves the page on %s, however long and wherever",
  async (size) => {
    const { width, words } = await printed(
      paper({
        title: LONG,
        about: LONG,
        foot: LONG,
        blocks: [
          { kind: "heading", words: LONG },
          { kind: "text", words: LONG },
          { kind: "list", items: [LONG] },
          { kind: "table", columns: [LONG, "who"], widths: [16, 84], rows: [[LONG, LONG]] },
          { kind: "exercise", name: LONG, dose: LONG, lines: [LONG], drawing: null },
          { kind: "settings", rows: [[LONG, LONG]], drawing: null },
          { kind: "signature", words: LONG },
        ],
      }),
      { name: LONG, address: LONG, contact: LONG },
      size,
    );
    expect(words.length).toBeGreaterThan(40);
    expect(words.filter((w) => w.from < 40 || w.to > width - 40)).toEqual([]);
  },
);

test("a label does not run into its value", async () => {
  const { words } = await printed(
    paper({
      blocks: [
        { kind: "settings", rows: [["starting angle of the backrest notch", "VALUE"]], drawing: null },
      ],
    }),
  );
  const value = words.find((w) => w.word === "VALUE");
  const label = words.filter((w) => ["starting", "angle", "backrest", "notch"].includes(w.word ?? ""));
  expect(label).toHaveLength(4);
  for (const w of label) expect(w.to).toBeLessThan((value?.from ?? 0) - 4);
});
