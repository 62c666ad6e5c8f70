"use client";
import { Command } from "cmdk";
import { type RefObject, useEffect, useRef, useState } from "react";
import { Dialog } from "@/ui/Dialog";

export interface PaletteEntry {
  id: string;
  words: string;
  /** a few words at the right */
  hint?: string;
}

/** A list that opens over the screen: typing narrows it, arrows and enter choose, escape closes. */
export function Palette({
  ref,
  label,
  placeholder,
  groups,
  isLooking = false,
  onPick,
}: {
  ref: RefObject<HTMLDialogElement | null>;
  label: string;
  placeholder: string;
  groups: readonly { heading: string; entries: readonly PaletteEntry[] }[];
  /** more entries are on their way */
  isLooking?: boolean;
  onPick: (id: string) => void;
}) {
  const [typed, setTyped] = useState("");
  const [isOpen, setOpen] = useState(false);
  useEffect(() => {
    const dialog = ref.current;
    if (!dialog) return;
    // the list is made when it is opened: dozens of entries cost nothing before
    const watch = new MutationObserver(() => setOpen(dialog.open));
    watch.observe(dialog, { attributes: true, attributeFilter: ["open"] });
    return () => watch.disconnect();
  }, [ref]);
  // who types and enters before the names are there is taken there when they are
  const isEntered = useRef(false);
  useEffect(() => {
    if (isLooking || !isEntered.current) return;
    isEntered.current = false;
    const frame = requestAnimationFrame(() =>
      ref.current?.querySelector<HTMLElement>("[cmdk-item][data-selected=true]")?.click(),
    );
    return () => cancelAnimationFrame(frame);
  }, [isLooking, ref]);
  const close = () => {
    setTyped("");
    ref.current?.close();
  };
  return (
    <Dialog
      ref={ref}
      label={label}
      onClose={() => {
        setTyped("");
        isEntered.current = false;
      }}
      size="list"
      isAtTop
    >
      {isOpen && (
        <Command
          label={label}
          loop
          onKeyDown={(e) => {
            if (e.key === "Enter" && isLooking) isEntered.current = true;
          }}
        >
          <Command.Input
            autoFocus
            value={typed}
            onValueChange={setTyped}
            placeholder={placeholder}
            className="w-full border-b border-rule bg-transparent px-4 py-3 outline-none"
          />
          <Command.List className="max-h-[52vh] overflow-y-auto p-2">
            <Command.Empty className="quiet px-2 py-3">
              {isLooking ? "Looking up names…" : "Nothing here has these words."}
            </Command.Empty>
            {groups.map((g) => (
              <Command.Group
                key={g.heading}
                heading={g.heading}
                className="[&_[cmdk-group-heading]]:px-2 [&_[cmdk-group-heading]]:pt-2 [&_[cmdk-group-heading]]:text-[12.5px] [&_[cmdk-group-heading]]:text-quiet"
              >
                {g.entries.map((e) => (
                  <Command.Item
                    key={e.id}
                    value={`${e.words} ${e.id}`}
                    onSelect={() => {
                      close();
                      onPick(e.id);
                    }}
                    className="flex cursor-pointer justify-between gap-4 px-2 py-1 data-[selected=true]:bg-secondary data-[selected=true]:text-secondary-content"
                  >
                    {e.words}
                    {e.hint && <span className="small">{e.hint}</span>}
                  </Command.Item>
                ))}
              </Command.Group>
            ))}
          </Command.List>
        </Command>
      )}
      <p className="flex justify-end border-t border-rule px-3 py-2">
        <button type="button" className="btn btn-line btn-sm" onClick={close}>
          Close
        </button>
      </p>
    </Dialog>
  );
}
