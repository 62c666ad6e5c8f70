import { renderToBuffer } from "@react-pdf/renderer";
import { PaperPdf } from "@/app/_paper/PaperPdf";
import { recordPaper } from "@/app/_paper/recordPaper";
import { fileName } from "@/app/_web/download";
import { changes } from "@/app/_web/route";
import type { Letterhead, PaperDoc, PaperSize } from "@/core/paper/doc";
import { paperInput } from "@/core/paper/paperInput";
import type { MassUnit } from "@/core/units/mass";
import { audit } from "@/server/base/audit";
import { type Ctx, today } from "@/server/base/context";
import { recordOf } from "@/server/client/record";
import { letterheadOf } from "@/server/clinic/letterhead";
import { paperOf } from "@/server/papers/papers";
import { episodesToReview } from "@/server/review/episode";

const MOST_CHANGES = 300;
const FORM_BYTES = 20_000;

interface Made {
  doc: PaperDoc;
  head: Letterhead;
  size: PaperSize;
  locale: string;
  massUnit: MassUnit;
}

/** A paper as PDF. Made by a request with a body, so that nobody's questions stand in an address. */
export const POST = changes(
  paperInput,
  async (ctx, input, { clientId }: { clientId: string }): Promise<Made> => {
    const { kind } = input;
    const doc =
      kind === "record" ? await recordDoc(ctx, clientId) : await paperOf(ctx, clientId, { ...input, kind });
    const head = await letterheadOf(ctx);
    return {
      doc,
      head,
      size: input.size ?? head.size,
      locale: ctx.actor.locale,
      massUnit: ctx.actor.massUnit,
    };
  },
  FORM_BYTES,
  async (made) => {
    const { doc, head, size, locale, massUnit } = made as Made;
    const pdf = await renderToBuffer(
      <PaperPdf doc={doc} head={head} size={size} language={locale} massUnit={massUnit} />,
    );
    return new Response(new Uint8Array(pdf), {
      headers: {
        "content-type": "application/pdf",
        "content-disposition": `attachment; filename="${fileName(doc.title)}.pdf"`,
        "cache-control": "no-store",
      },
    });
  },
);

async function recordDoc(ctx: Ctx, clientId: string): Promise<PaperDoc> {
  const [client] = await episodesToReview(ctx, clientId);
  const entries = [];
  for (let before: number | null = null; entries.length < MOST_CHANGES; ) {
    const page: Awaited<ReturnType<typeof recordOf>> = await recordOf(ctx, clientId, before);
    entries.push(...page);
    const last = page.at(-1);
    if (!last) break;
    before = last.id;
  }
  await audit(ctx, "paper.make", "client", clientId, null, { paper: "record" });
  const isAll = entries.length < MOST_CHANGES;
  return recordPaper(client?.name ?? "", entries.slice(0, MOST_CHANGES), isAll, ctx.actor, today(ctx));
}
