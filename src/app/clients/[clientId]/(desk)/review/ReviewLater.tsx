"use client";
import dynamic from "next/dynamic";
import { useMemo } from "react";
import { unpacked } from "@/core/review/packed";
import type { ReviewDeskProps } from "./ReviewDesk";

const desk = () => import("./ReviewDesk").then((m) => m.ReviewDesk);
// fetched beside the page, not after it
if (typeof window !== "undefined") void desk();

/** While it is worked out, and then while it is drawn. */
export function Drawing() {
  return (
    <div className="px-4 py-4">
      <h1 className="text-[19px]">What it led to</h1>
      <p className="mt-2" role="status">
        Drawing the time line…
      </p>
    </div>
  );
}

/** Years of a course are drawn in the browser only: written as pictures by the server they are megabytes. */
const ReviewDesk = dynamic(desk, {
  ssr: false,
  loading: Drawing,
});

interface PackedShown {
  id: string;
  packed: string;
}

type Props = Omit<ReviewDeskProps, "shown" | "other"> & {
  shown: PackedShown;
  other: (PackedShown & { words: string }) | null;
};

/** Takes the facts out of the short text that they travel as. */
export function ReviewLater({ shown, other, ...rest }: Props) {
  const facts = useMemo(() => unpacked(shown.packed), [shown.packed]);
  const otherFacts = useMemo(() => other && unpacked(other.packed), [other]);
  return (
    <ReviewDesk
      {...rest}
      shown={{ id: shown.id, facts }}
      other={other && otherFacts && { id: other.id, words: other.words, facts: otherFacts }}
    />
  );
}
