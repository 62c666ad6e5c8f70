import { z } from "zod";
import { uuid } from "../../units/fields";

/** What a column of a file may hold. Names are those of the clinic's records, with their units. */

export const id = uuid;
export const maybeId = uuid.nullable();
export const day = z.iso.date({ error: "input.row_date" });
export const moment = z.iso.datetime({
  offset: true,
  error: "input.row_moment",
});
export const text = (most: number) => z.string().max(most, { error: "input.row_long" });
export const number = (least: number, most: number) => z.number().min(least).max(most);
export const whole = (least: number, most: number) => z.number().int().min(least).max(most);
export const pain = whole(0, 10);
export const side = z.enum(["left", "right"]);
export const texts = (most: number, length = 400) => z.array(text(length)).max(most);

/** A range as the records keep it: "[45,90]", an open end is left out. */
export const range = z
  .string()
  .regex(/^[[(](-?\d+(\.\d+)?)?,(-?\d+(\.\d+)?)?[\])]$/, { error: "input.row_range" });

/** One kind of row: its columns, what others are named in it, and by which column its rows are found again. */
export interface TableOf<S extends z.ZodObject = z.ZodObject> {
  name: string;
  row: S;
  /** column -> table whose row it names; "line" and "person" are kept apart */
  names: Readonly<Partial<Record<keyof z.infer<S> & string, string>>>;
  /** its own id, or the id of the row it belongs to */
  key: string;
}

/** `key`: where a kind of row has no id of its own, the column of the row it belongs to. */
export const table = <S extends z.ZodObject>(
  name: string,
  row: S,
  names: TableOf<S>["names"],
  key: keyof z.infer<S> & string = "id" as keyof z.infer<S> & string,
): TableOf<S> => ({ name, row, names, key });
