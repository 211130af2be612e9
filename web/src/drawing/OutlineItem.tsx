import { memo } from "react";
import type { Item } from "../api/client";
import type { Frame } from "./frame";
import { hatch } from "./hatches";
import { looksTheSame } from "./same";

type Outline = Extract<Item, { kind: "outline" }>;

export function pathOf(item: Outline, frame: Frame): string {
  const steps = item.path.map((vertex, place) => {
    const to = `${frame.x(vertex.x).toFixed(2)} ${frame.y(vertex.y).toFixed(2)}`;
    if (place === 0) return `M${to}`;
    if (!vertex.radius_m) return `L${to}`;
    const radius = (Math.abs(vertex.radius_m) * frame.scale).toFixed(2);
    return `A${radius} ${radius} 0 ${vertex.large ? 1 : 0} ${vertex.radius_m > 0 ? 1 : 0} ${to}`;
  });
  return steps.join("") + (item.closed ? "Z" : "");
}

const THINNEST = 2.4;

interface Props {
  item: Outline;
  frame: Frame;
  hatches: string;
  lit: boolean;
  faint?: boolean;
  /** Called with the choice and the option that a pressed part stands for. */
  onPick?: (measure: string, option: string) => void;
  /** Called with a part of the house that was pressed. */
  onPress?: (part: string) => void;
}

// What of a drawing is the house itself.
const BUILT: readonly string[] = ["frame", "skin"];

/** A part in true size; one that stands for a choice takes it when it is pressed, another tells what it is. */
export const OutlineItem = memo(function OutlineItem({ onPick, onPress, ...shown }: Props) {
  const { picks, part, layer } = shown.item;
  if (!picks && onPress && BUILT.includes(layer)) {
    return (
      // biome-ignore lint/a11y/noStaticElementInteractions: a pointer's short cut to what the step's list of parts tells
      <g onClick={() => onPress(part)} cursor="pointer" data-part={part}>
        <Drawn {...shown} />
      </g>
    );
  }
  if (!picks || !onPick) return <Drawn {...shown} />;
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: a pointer's short cut to the choice in the panel
    <g onClick={() => onPick(picks[0], picks[1])} cursor="pointer" data-picks={picks.join("=")}>
      <title>{shown.item.label}</title>
      <Drawn {...shown} />
    </g>
  );
}, looksTheSame);

/** A filled shape, a tube of its own width, or a thin line of construction. */
function Drawn({ item, frame, hatches, lit, faint = false }: Omit<Props, "onPick" | "onPress">) {
  const d = pathOf(item, frame);
  if (item.layer === "construction") {
    if (faint) return null;
    return <path d={d} fill="none" stroke="var(--soft)" strokeWidth={lit ? 2 : 0.9} strokeDasharray="7 3 1 3" opacity={lit ? 1 : 0.6} />;
  }
  if (item.layer === "string") {
    return (
      <path
        d={d}
        fill="none"
        stroke="var(--string)"
        strokeWidth={lit || item.part.startsWith("tape:") ? 3.5 : 1.8}
        strokeDasharray={item.part === "diagonal" ? "10 4" : undefined}
        opacity={faint ? 0.4 : 1}
      />
    );
  }
  if (item.layer === "air") return <path d={d} fill="var(--air)" />;
  if (item.closed) {
    return (
      <path d={d} fill={hatch(hatches, item.material)} stroke="var(--ink)" strokeWidth={item.layer === "ground" ? 0 : lit ? 2.6 : 1.2} />
    );
  }
  if (item.layer === "ground") return <path d={d} fill="none" stroke="var(--ink)" strokeWidth="1.6" />;
  const width = Math.max((item.width_m ?? 0) * frame.scale, THINNEST);
  if (item.layer === "hidden") {
    return <path d={d} fill="none" stroke="var(--ink)" strokeWidth={Math.max(width - 2, 1.4)} strokeDasharray="4 3" opacity="0.55" />;
  }
  return (
    <g fill="none" strokeLinejoin="round" opacity={faint ? 0.45 : 1}>
      <path d={d} stroke="var(--ink)" strokeWidth={width + (lit ? 4 : 1.6)} />
      <path d={d} stroke={`var(--${item.material})`} strokeWidth={Math.max(width - 0.8, 1)} />
    </g>
  );
}
