import { useQuery } from '@tanstack/react-query';
import { queries } from '../api/queries';
import { phraseWord } from '../text/text';

/** What a crop is called in the middle of a sentence, by the key of its sheet. */
export function useCropName(): (key: string) => string {
  const { data: crops = [] } = useQuery(queries.crops());
  return (key) => phraseWord(crops.find((c) => c.key === key)?.name ?? key);
}
