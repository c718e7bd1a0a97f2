import { render } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { Glyph } from './Glyph';

const annona = { form: 'ANNONA' as const, petal: '#9db06a', edge: '#6d8043', accent: '#d99a10' };
const marks = (glyph: Parameters<typeof Glyph>[0]['glyph']) => {
  const { container, unmount } = render(<Glyph glyph={glyph} />);
  const found = {
    paths: container.querySelectorAll('path').length,
    circles: container.querySelectorAll('circle').length,
  };
  unmount();
  return found;
};

describe('a flower’s drawing', () => {
  it('shows a bud shut, the dome only where one sees it, and dust only when it sheds', () => {
    const bud = marks({ ...annona, spread: 0, dome: 'hidden', dust: false });
    const parted = marks({ ...annona, spread: 0.16, dome: 'hidden', dust: false });
    const wide = marks({ ...annona, spread: 0.85, dome: 'tight', dust: false });
    const shedding = marks({ ...annona, spread: 1, dome: 'loose', dust: true });
    expect(bud.circles).toBe(0);
    expect(parted).toEqual({ paths: 4, circles: 0 });
    expect(wide).toEqual({ paths: 4, circles: 2 });
    expect(shedding.circles).toBe(11);
  });

  it('spreads the petals with the stage', () => {
    // The first petal hangs to the left: the wider it stands, the further left its tip.
    const tip = (spread: number) => {
      const { container, unmount } = render(
        <Glyph glyph={{ ...annona, spread, dome: 'hidden', dust: false }} />,
      );
      const d = container.querySelectorAll('path')[1]!.getAttribute('d')!;
      unmount();
      return Number(d.split('Q')[1]!.split(' ')[2]);
    };
    expect(tip(0.9)).toBeLessThan(tip(0.2));
  });

  it('has a form of its own for every family, and each changes as the flower opens', () => {
    const forms = [
      'ANNONA',
      'CUP',
      'HEART',
      'CACTUS',
      'FIVE',
      'BRUSH',
      'STRAP',
      'FIG',
      'TUBE',
      'WHEEL',
      'STRANDS',
      'STAR',
    ] as const;
    const drawn = (form: (typeof forms)[number], spread: number) => {
      const { container, unmount } = render(
        <Glyph glyph={{ ...annona, form, spread, dome: 'tight', dust: false }} />,
      );
      const html = container.innerHTML;
      unmount();
      return html;
    };
    expect(new Set(forms.map((f) => drawn(f, 0.7))).size).toBe(forms.length);
    for (const form of forms) {
      expect(drawn(form, 0), form).not.toBe(drawn(form, 0.7));
      expect(drawn(form, 0.7), form).not.toContain('NaN');
    }
  });
});
