import { Fragment } from "react";

const FIGURE = /(?<![A-Za-z])([−±]?\d[\d,.]*(?:\/\d+)?(?:['"°]| %)?(?: \d+(?:\/\d+)?(?: \d+\/\d+)?")?(?: (?:mm|m²|m³\/h|m\/s|sq ft|°C|°F|mph|kN(?:\/m)?|lb(?:\/ft)?|kg|cfm|m)(?![a-z]))?)/;

/** A sentence with every number in it set as figures are set elsewhere. */
export function Words({ children }: { children: string }) {
  return (
    <>
      {children.split(FIGURE).map((piece, place) =>
        place % 2 === 1 ? (
          // biome-ignore lint/suspicious/noArrayIndexKey: pieces of one sentence have no other name
          <span className="figures" key={place}>
            {piece}
          </span>
        ) : (
          // biome-ignore lint/suspicious/noArrayIndexKey: as above
          <Fragment key={place}>{piece}</Fragment>
        ),
      )}
    </>
  );
}
