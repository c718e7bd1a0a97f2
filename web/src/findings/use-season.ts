import { useSearchParams } from 'react-router';
import type { OfSeason } from '../api/queries';

/** The season and crop in the page's address, so that a page can be sent to somebody; the latest where nothing stands there. */
export function useSeason(): [OfSeason, (of: OfSeason, more?: Record<string, string>) => void] {
  const [params, setParams] = useSearchParams();
  const of: OfSeason = {
    ...(params.get('season') && { season: Number(params.get('season')) }),
    ...(params.get('crop') && { crop: params.get('crop')! }),
  };
  const choose = (chosen: OfSeason, more: Record<string, string> = {}) =>
    setParams({
      ...(chosen.season !== undefined && { season: String(chosen.season) }),
      ...(chosen.crop && { crop: chosen.crop }),
      ...more,
    });
  return [of, choose];
}
