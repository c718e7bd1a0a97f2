import { answer, api, type Schemas } from '../api/api';
import { newId } from '../api/ids';

export interface Planting {
  crop: string;
  name: string;
  trees: number;
}

/** Records of a planting, numbered beforehand: sent once more after a failure they are there once. */
export interface Numbered {
  variety: { id: string; body: Schemas['VarietyRequest'] };
  trees: { id: string; body: Schemas['TreeRequest'] }[];
}

/** A variety and its trees in a row of their own behind those that are there. */
export function numbered(planting: Planting, there: Schemas['TreeView'][]): Numbered {
  const varietyId = newId();
  const row = Math.max(0, ...there.map((t) => t.row)) + 1;
  return {
    variety: {
      id: varietyId,
      body: { crop: planting.crop, name: planting.name.trim() },
    },
    trees: Array.from({ length: planting.trees }, (_, i) => ({
      id: newId(),
      body: { varietyId, name: `${planting.name.trim()} ${i + 1}`, block: '', row, position: i + 1 },
    })),
  };
}

/** Sends them one after another: the variety is there before its trees. */
export async function plant({ variety, trees }: Numbered, done: (trees: number) => void): Promise<void> {
  await answer(api.PUT('/api/varieties/{id}', { params: { path: { id: variety.id } }, body: variety.body }));
  for (const [i, tree] of trees.entries()) {
    await answer(api.PUT('/api/trees/{id}', { params: { path: { id: tree.id } }, body: tree.body }));
    done(i + 1);
  }
}
