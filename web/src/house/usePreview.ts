import { useEffect, useRef } from "react";
import type { Edit } from "../api/client";
import { newGesture } from "../kit/stride";
import { useSession } from "./useSight";

type Wish = Edit[] | "drop" | null;

/**
 * What is drawn while it is pointed at or in focus, and taken when it is pressed.
 *
 * A preview may move the page under a pointer that rests: what comes to lie there then is not what was pointed at, so
 * a change waits for the pointer to move by itself.
 */
export function usePreview() {
  const session = useSession();
  const shown = useRef(false);
  const wish = useRef<Wish>(null);

  useEffect(() => {
    const fulfil = () => {
      const wanted = wish.current;
      wish.current = null;
      if (wanted === "drop") {
        shown.current = false;
        session.drop();
      } else if (wanted) session.attempt(wanted, true);
    };
    const moved = (event: PointerEvent) => {
      if (event.movementX || event.movementY) fulfil();
    };
    window.addEventListener("pointermove", moved);
    document.documentElement.addEventListener("pointerleave", fulfil);
    return () => {
      window.removeEventListener("pointermove", moved);
      document.documentElement.removeEventListener("pointerleave", fulfil);
    };
  }, [session]);

  return (edits: Edit[]) => ({
    onHoverStart: () => {
      if (shown.current) {
        wish.current = edits;
        return;
      }
      shown.current = true;
      session.attempt(edits, true);
    },
    onHoverEnd: () => {
      wish.current = "drop";
    },
    onFocus: () => session.attempt(edits, true),
    onBlur: () => session.drop(),
    onPress: () => {
      shown.current = false;
      wish.current = null;
      void session.commit(edits, newGesture());
    },
  });
}
