import type { ComponentType } from "react";
import type { StepPlan } from "../api/client";

/** What may stand at the right in place of a step's panel: a file in `side/`, opened by its name, by a step's action too. */
export interface SideProps {
  step: StepPlan;
  window: string;
  onClose: () => void;
  onOpen: (side: string) => void;
  onGo: (step: string, part: string | null) => void;
}

interface Module {
  default: ComponentType<SideProps>;
  /** Whether it stays while another step is gone to. */
  STAYS?: boolean;
}

const found = import.meta.glob<Module>("./side/*.tsx", { eager: true });
export const SIDES: Partial<Record<string, Module>> = Object.fromEntries(Object.entries(found).map(([path, module]) => [nameOf(path), module]));

/** A file's name without its folder and kind. */
export function nameOf(path: string): string {
  return path.replace(/^.*\/|\.tsx$/g, "");
}
