import { lazy, Suspense, useState, type ComponentProps, type ReactNode } from 'react';
import { t } from '../text/text';

// Most numbers are never asked: what opens beside them comes with the first question.
const WhyPopover = lazy(async () => ({ default: (await import('./WhyPopover')).WhyPopover }));

export interface WhyProps {
  children: ReactNode;
  label?: string | undefined;
}

/** A number under a dotted line. */
export const WhyButton = ({ children, label, className, ...rest }: WhyProps & ComponentProps<'button'>) => (
  <button
    type="button"
    className={className ? `why ${className}` : 'why'}
    aria-label={label ? t('why.of', { label }) : undefined}
    title={t('why.title')}
    {...rest}
  >
    {children}
  </button>
);

/** A number that can be asked "why?": opens what it was worked out from. */
export function Why({ because, ...button }: WhyProps & { because: ReactNode }) {
  const [asked, setAsked] = useState(false);
  if (!asked) return <WhyButton {...button} onClick={() => setAsked(true)} />;
  return (
    <Suspense fallback={<WhyButton {...button} />}>
      <WhyPopover because={because} {...button} />
    </Suspense>
  );
}
