import { Circle, Document, Line, Page, StyleSheet, Svg, Text, View } from "@react-pdf/renderer";
import type { Block, Letterhead, PaperDoc, PaperSize } from "@/core/paper/doc";
import { printable } from "@/core/paper/printable";
import type { Drawing, Stroke } from "@/core/selection/pose/drawing";
import { type MassUnit, withPounds } from "@/core/units/mass";
import { FONTS } from "./fonts";
import { familiesFor } from "./otherScripts";

const S = StyleSheet.create({
  page: {
    paddingTop: 42,
    paddingBottom: 52,
    paddingHorizontal: 46,
    color: "#000",
  },
  head: {
    flexDirection: "row",
    justifyContent: "space-between",
    borderBottomWidth: 1.5,
    borderBottomColor: "#000",
    paddingBottom: 6,
  },
  right: { textAlign: "right" },
  strong: { fontWeight: 700 },
  heading: { fontWeight: 700, marginTop: 12, marginBottom: 3 },
  row: { flexDirection: "row", borderBottomWidth: 0.5, borderBottomColor: "#888", paddingVertical: 2.5 },
  cell: { paddingRight: 8 },
  item: { flexDirection: "row", marginBottom: 2 },
  // with a height, and a number of pages in lines of its own: else they are laid out as too high and not printed
  foot: { position: "absolute", bottom: 20, height: 26, fontSize: 8.5, color: "#444" },
});

const TONES: Record<Stroke["tone"], string> = { machine: "#bdb8ab", body: "#8d9494", limb: "#1d1d1d" };
const DRAWING_WIDTH = 150;
const DRAWING_HEIGHT = 112;

/** Text as the typefaces of this paper can print it. */
type Say = (words: string) => string;

function Figure({ drawing }: { drawing: Drawing }) {
  const scale = Math.min(DRAWING_WIDTH / drawing.widthM, DRAWING_HEIGHT / drawing.heightM);
  const height = drawing.heightM * scale;
  return (
    <Svg width={drawing.widthM * scale} height={height} viewBox={`0 0 ${drawing.widthM * scale} ${height}`}>
      {drawing.strokes.map((s, i) =>
        s.isDot ? (
          <Circle
            // biome-ignore lint/suspicious/noArrayIndexKey: strokes in their order
            key={i}
            cx={s.fromX * scale}
            cy={height - s.fromY * scale}
            r={(s.widthM * scale) / 2}
            fill={TONES[s.tone]}
          />
        ) : (
          <Line
            // biome-ignore lint/suspicious/noArrayIndexKey: strokes in their order
            key={i}
            x1={s.fromX * scale}
            y1={height - s.fromY * scale}
            x2={s.toX * scale}
            y2={height - s.toY * scale}
            stroke={TONES[s.tone]}
            strokeWidth={s.widthM * scale}
            strokeLinecap="round"
          />
        ),
      )}
    </Svg>
  );
}

function Piece({ block, size, say }: { block: Block; size: number; say: Say }) {
  switch (block.kind) {
    case "heading":
      return (
        <Text style={[S.heading, { fontSize: size * 1.2 }]} minPresenceAhead={40}>
          {say(block.words)}
        </Text>
      );
    case "text":
      return (
        <View>
          {block.words.split("\n").map((line, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: lines in their order
            <Text key={i} style={block.isStrong ? S.strong : {}}>
              {say(line)}
            </Text>
          ))}
        </View>
      );
    case "list":
      return (
        <View>
          {block.items.map((item) => (
            <View key={item} style={S.item} wrap={false}>
              <Text style={{ width: size }}>•</Text>
              <Text style={{ flex: 1 }}>{say(item)}</Text>
            </View>
          ))}
        </View>
      );
    case "table":
      return (
        <View>
          <View style={S.row} wrap={false}>
            {block.columns.map((c, i) => (
              <Text key={c} style={[S.cell, { width: `${block.widths[i] ?? 0}%`, color: "#444" }]}>
                {say(c)}
              </Text>
            ))}
          </View>
          {block.rows.map((cells, n) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: rows in their order
            <View key={n} style={S.row} wrap={false}>
              {cells.map((cell, i) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: columns in their order
                <Text key={i} style={[S.cell, { width: `${block.widths[i] ?? 0}%` }]}>
                  {say(cell)}
                </Text>
              ))}
            </View>
          ))}
        </View>
      );
    case "exercise":
      return (
        <View
          style={{
            flexDirection: "row",
            paddingVertical: 8,
            borderBottomWidth: 0.5,
            borderBottomColor: "#888",
          }}
          wrap={false}
        >
          <View style={{ flex: 1, paddingRight: 12 }}>
            <Text style={[S.strong, { fontSize: size * 1.2 }]}>{say(block.name)}</Text>
            <Text style={[S.strong, { fontSize: size * 1.1, marginVertical: 2 }]}>{say(block.dose)}</Text>
            {block.lines.map((l) => (
              <Text key={l}>{say(l)}</Text>
            ))}
          </View>
          {block.drawing && <Figure drawing={block.drawing} />}
        </View>
      );
    case "settings":
      return (
        <View style={{ flexDirection: "row" }} wrap={false}>
          <View style={{ flex: 1, paddingRight: 12 }}>
            {block.rows.map(([name, value]) => (
              <View key={name} style={S.row}>
                <Text style={[S.cell, { width: "38%", color: "#444" }]}>{say(name)}</Text>
                <Text style={[S.strong, { width: "62%", fontSize: size * 1.1 }]}>{say(value)}</Text>
              </View>
            ))}
          </View>
          {block.drawing && <Figure drawing={block.drawing} />}
        </View>
      );
    case "signature":
      return (
        <View style={{ marginTop: 26 }} wrap={false}>
          <Text style={{ borderTopWidth: 0.5, borderTopColor: "#000", width: 220, paddingTop: 3 }}>
            {say(block.words)}
          </Text>
        </View>
      );
  }
}

const LACKS = "Letters that no typeface here has are printed as ?.";

/** A paper as PDF: black on white, under the clinic's head, text that can be selected. */
export function PaperPdf({
  doc,
  head,
  size,
  language,
  massUnit,
}: {
  doc: PaperDoc;
  head: Letterhead;
  size: PaperSize;
  language: string;
  massUnit: MassUnit;
}) {
  const type = doc.isLarge ? 13 : 10.5;
  const all = JSON.stringify([doc, head]);
  const { families, has } = familiesFor(printable(all).lacks);
  const say: Say = (words) => printable(withPounds(words, massUnit), has).text;
  const lacks = printable(all, has).lacks.length > 0;
  return (
    <Document title={doc.title} author={head.name} language={language}>
      <Page
        size={size}
        style={[S.page, { fontFamily: [...FONTS, ...families] as never, fontSize: type, lineHeight: 1.3 }]}
      >
        <View style={S.head} fixed>
          <View style={{ flex: 1, paddingRight: 12 }}>
            <Text style={[S.strong, { fontSize: type * 1.6, lineHeight: 1.3 }]}>{say(doc.title)}</Text>
            <Text>{say(doc.about)}</Text>
          </View>
          <View style={{ maxWidth: 240 }}>
            <Text style={[S.strong, S.right]}>{say(head.name)}</Text>
            {[...head.address.split("\n"), head.contact].filter(Boolean).map((l) => (
              <Text key={l} style={[S.right, { fontSize: 9.5 }]}>
                {say(l)}
              </Text>
            ))}
          </View>
        </View>
        <View style={{ marginTop: 10 }}>
          {doc.blocks.map((block, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: blocks in their order
            <Piece key={i} block={block} size={type} say={say} />
          ))}
        </View>
        <Text style={[S.foot, { left: 46, right: 120 }]} fixed>
          {say(doc.foot)}
          {lacks ? ` ${LACKS}` : ""}
        </Text>
        <View
          style={[S.foot, { right: 46, width: 70 }]}
          // how many there are comes with it, though its type does not say so
          render={({ pageNumber, ...more }) => (
            <Text style={[S.right, { lineHeight: 1 }]}>
              {`${pageNumber} / ${(more as { totalPages?: number }).totalPages ?? pageNumber}`}
            </Text>
          )}
          fixed
        />
      </Page>
    </Document>
  );
}
