import type { ComponentType } from "react";
import { fetched } from "../kit/Caught";
import { nameOf } from "./sides";

/** A sheet that a step shows besides its drawings and that the page draws itself: a file in `pages/`, by its name. */
interface PageProps {
  house: string;
  version: number;
}

const found = import.meta.glob<{ default: ComponentType<PageProps> }>("./pages/*.tsx");
// Each is fetched when it is asked for.
export const PAGES: Partial<Record<string, ComponentType<PageProps>>> = Object.fromEntries(
  Object.entries(found).map(([path, load]) => [nameOf(path), fetched("This sheet", load)]),
);
