import { Component, type ComponentType, lazy, type ReactNode, Suspense, useState } from "react";
import styled from "styled-components";
import { Plain } from "./Plain";

const Told = styled.div`
  display: grid;
  justify-items: start;
  gap: 8px;
  max-width: 38em;
  padding: 12px 0;
`;

interface Props {
  /** What can't be shown, in words: "The house in the round". */
  what: string;
  /** Called before it is tried again. */
  onAgain?: () => void;
  children: ReactNode;
}

/** What went wrong inside is said in its place, and tried again when that is asked for; all around it stays as it is. */
export class Caught extends Component<Props, { error: Error | null }> {
  override state = { error: null as Error | null };

  static getDerivedStateFromError(error: Error) {
    return { error };
  }

  override render() {
    const { what, onAgain, children } = this.props;
    if (!this.state.error) return children;
    const again = () => {
      onAgain?.();
      this.setState({ error: null });
    };
    return (
      <Told role="alert" data-caught>
        <p>{what} can’t be shown just now. What is saved and what is typed is kept.</p>
        <Plain onPress={again}>Try again</Plain>
        <Plain onPress={() => globalThis.location.reload()}>Load the page anew</Plain>
      </Told>
    );
  }
}

/** A part of the page that is fetched when it is first shown; what doesn't come is said in its place. */
export function fetched<P extends object>(what: string, load: () => Promise<{ default: ComponentType<P> }>): ComponentType<P> {
  // One that failed is never asked again: another try is another one.
  let Part = lazy(load);
  return function Fetched(props: P) {
    const [, setTries] = useState(0);
    const onAgain = () => {
      Part = lazy(load);
      setTries((tries) => tries + 1);
    };
    return (
      <Caught what={what} onAgain={onAgain}>
        <Suspense fallback={<p role="status">Fetching: {what.toLowerCase()}</p>}>
          <Part {...props} />
        </Suspense>
      </Caught>
    );
  };
}
