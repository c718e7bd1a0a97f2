import type { CSSProperties, ReactNode } from 'react';

interface Props {
  /** What is in it, for those who hear the page. */
  label: string;
  style?: CSSProperties;
  children: ReactNode;
}

/** Something wider or longer than its place: moved with a finger, or with the arrow keys once it has the focus. */
export const Scroll = ({ label, style, children }: Props) => (
  <div className="scroll" role="region" aria-label={label} tabIndex={0} style={style}>
    {children}
  </div>
);
