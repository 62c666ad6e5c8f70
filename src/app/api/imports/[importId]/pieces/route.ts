import { z } from "zod";
import { bytesIn, reads } from "@/app/_web/route";
import { InputError } from "@/core/units/inputError";
import { arrived, takePiece } from "@/server/exchange/imports";
import { pieceOf } from "@/server/exchange/uploads";

/** A byte of a file, written as digits; nothing at all is no place. */
const place = z
  .string()
  .regex(/^\d{1,12}$/)
  .transform(Number);

/** How much of a file is here, with what shows whether another is the same. */
export const GET = reads(
  (ctx, { importId }: { importId: string }) => arrived(ctx, importId),
  (result) => Response.json({ ok: true, result }),
);

/** The next piece of a file, bytes as they are; `from` says where it begins. */
export const PUT = bytesIn(pieceOf, (ctx, piece, { importId }: { importId: string }, query) => {
  const from = place.safeParse(query.get("from"));
  if (!from.success) throw new InputError("from", "Say where in the file this piece begins.");
  return takePiece(ctx, importId, from.data, piece);
});
