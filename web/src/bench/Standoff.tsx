import styled from "styled-components";
import { useSession, useSight } from "../house/useSight";
import { Press } from "../kit/Plain";
import { Words } from "../kit/Words";

const Box = styled.section`
  display: grid;
  gap: 8px;
  padding: 10px 12px;
  border: 2px solid var(--ink);
  background: var(--sheet);
`;

/** The same value changed here and in another window: both shown, one to choose. */
export function StandoffBox() {
  const session = useSession();
  const { standoff } = useSight();
  if (!standoff) return null;
  const told = (side: "mine" | "theirs") => standoff.clashes.map((clash) => `${clash.label} ${clash[side]}`).join(", ");
  return (
    <Box role="alert" aria-label="Changed in two windows">
      <p>
        <b>Changed in another window too.</b> Nothing of yours is saved yet; which one stands?
      </p>
      <Press onPress={() => session.settleStandoff(false)}>
        Keep theirs: <Words>{told("theirs")}</Words>
      </Press>
      <Press onPress={() => session.settleStandoff(true)}>
        Take mine: <Words>{told("mine")}</Words>
      </Press>
    </Box>
  );
}
