"use client";
import { useSyncExternalStore } from "react";

const listen = (tell: () => void) => {
  window.addEventListener("online", tell);
  window.addEventListener("offline", tell);
  return () => {
    window.removeEventListener("online", tell);
    window.removeEventListener("offline", tell);
  };
};

/** Says that there is no network as long as there is none. */
export function NoNetwork() {
  const isOff = useSyncExternalStore(
    listen,
    () => !navigator.onLine,
    () => false,
  );
  return (
    <div role="status">
      {isOff && (
        <p className="border-b-2 border-mark bg-base-100 px-5 py-1.5">
          <b className="text-accent">No network.</b> What is typed stays here; it can be saved when the
          network is back.
        </p>
      )}
    </div>
  );
}
