"use client";
import { send } from "../send";

export function SignOut() {
  return (
    <button
      type="button"
      className="small quiet cursor-pointer"
      onClick={async () => {
        await send("/api/sign-out", {});
        window.location.assign("/sign-in");
      }}
    >
      sign out
    </button>
  );
}
