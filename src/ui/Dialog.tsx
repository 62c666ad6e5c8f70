import type { ReactNode, Ref } from "react";

const WIDTHS = {
  narrow: "max-w-md",
  usual: "",
  list: "max-w-xl p-0",
  card: "max-w-2xl",
  wide: "max-w-5xl",
} as const;

/** The one dialog of the product: a frame with a name; what stands in it closes it. */
export function Dialog({
  ref,
  label,
  size = "usual",
  isAtTop = false,
  onClose,
  children,
}: {
  ref: Ref<HTMLDialogElement>;
  label: string;
  size?: keyof typeof WIDTHS;
  /** where a list grows and shrinks while it is typed into */
  isAtTop?: boolean;
  onClose?: () => void;
  children: ReactNode;
}) {
  return (
    <dialog
      ref={ref}
      className={`modal text-left ${isAtTop ? "items-start pt-16" : ""}`}
      aria-label={label}
      onClose={(e) => {
        // while it fades out, enter must not press its key a second time
        const at = document.activeElement;
        if (at instanceof HTMLElement && e.currentTarget.contains(at)) at.blur();
        onClose?.();
      }}
    >
      <div className={`modal-box border border-rule bg-base-100 ${WIDTHS[size]}`}>{children}</div>
    </dialog>
  );
}
