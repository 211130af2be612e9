import type { ReactNode } from "react";
import { ToggleButton, ToggleButtonGroup } from "react-aria-components";
import styled from "styled-components";
import { Words } from "../kit/Words";
import { FIGURES } from "../look/look";

const Row = styled.div`
  display: flex;
  align-items: baseline;
  flex-wrap: wrap;
  gap: 2px 20px;
  min-height: 32px;
  > p { font-size: 14px; color: var(--soft); flex: 1 1 150px; }
  > div { display: flex; gap: 4px 18px; flex-wrap: wrap; }
`;
const Way = styled(ToggleButton)`
  padding: 3px 1px 2px;
  border: 0;
  border-bottom: 3px solid transparent;
  background: none;
  font: 600 17px/1.2 ${FIGURES};
  color: var(--soft);
  cursor: pointer;
  &[data-selected] { color: var(--ink); border-bottom-color: var(--ink); }
  &[data-hovered] { color: var(--ink); }
`;
const Aside = styled(Way)`
  margin-left: auto;
  font-weight: 500;
  font-size: 15px;
`;

interface Props {
  label: string;
  ways: { id: string; label: string }[];
  current: string;
  onChoose: (id: string) => void;
  about?: string;
  end?: ReactNode;
  aside?: { label: string; pressed: boolean; onPress: () => void };
}

/** A row of words to choose what is shown; the one that is shown is underlined in ink. */
export function Tabs({ label, ways, current, onChoose, about, end, aside }: Props) {
  return (
    <Row>
      <ToggleButtonGroup
        aria-label={label}
        selectionMode="single"
        disallowEmptySelection
        selectedKeys={[current]}
        onSelectionChange={(keys) => {
          const [key] = [...keys];
          if (key !== undefined) onChoose(String(key));
        }}
      >
        {ways.map((way) => (
          <Way key={way.id} id={way.id}>
            {way.label}
          </Way>
        ))}
      </ToggleButtonGroup>
      {about && <p><Words>{about}</Words></p>}
      {end}
      {aside && (
        <Aside isSelected={aside.pressed} onChange={aside.onPress}>
          {aside.label}
        </Aside>
      )}
    </Row>
  );
}
