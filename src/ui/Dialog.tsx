import type { ReactNode, Ref } from "react";

const WIDTHS = { narrow: "max-w-md", usual: "", wide: "max-w-[940px]" } as const;

/** The one dialog of the product: a frame with a name; what stands in it closes it. */
export function Dialog({
  ref,
  label,
  size = "usual",
  children,
}: {
  ref: Ref<HTMLDialogElement>;
  label: string;
  size?: keyof typeof WIDTHS;
  children: ReactNode;
}) {
  return (
    <dialog ref={ref} className="modal" aria-label={label}>
      <div className={`modal-box border border-rule bg-base-100 ${WIDTHS[size]}`}>{children}</div>
    </dialog>
  );
}
