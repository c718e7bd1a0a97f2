import { fireEvent, screen } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { show } from '../test/screen';
import { PlaceSketch } from './PlaceSketch';

beforeEach(() => {
  vi.spyOn(Element.prototype, 'getBoundingClientRect').mockReturnValue(new DOMRect(0, 0, 320, 160));
});

const press = (x: number, y: number) =>
  fireEvent.click(screen.getByRole('img', { name: /Outline of the world/ }), { clientX: x, clientY: y });

describe('the sketch of the world', () => {
  it('gives the degrees of the place that is pressed, however large it is drawn', () => {
    const choose = vi.fn();
    show(<PlaceSketch place={undefined} choose={choose} />);
    press(160, 80);
    expect(choose).toHaveBeenLastCalledWith({ latitude: 0, longitude: 0 });
    press(240, 120);
    expect(choose).toHaveBeenLastCalledWith({ latitude: -45, longitude: 90 });
    press(0, 0);
    expect(choose).toHaveBeenLastCalledWith({ latitude: 90, longitude: -180 });
  });

  it('marks the place that is chosen where the degrees say', () => {
    const { container } = show(<PlaceSketch place={{ latitude: 45, longitude: -90 }} choose={vi.fn()} />);
    const mark = container.querySelector('circle')!;
    expect(Number(mark.getAttribute('cx'))).toBeCloseTo(160);
    expect(Number(mark.getAttribute('cy'))).toBeCloseTo(80);
  });
});
