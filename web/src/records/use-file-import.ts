import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/api';
import { refresh } from '../api/client';
import { asBase64 } from '../api/base64';
import { newId } from '../api/ids';

type Request = Schemas['FileImportRequest'];

/** What is said of a file beside its bytes. */
export type Answers = Pick<Request, 'columns' | 'dateOrder' | 'decimalMark' | 'fixes' | 'confirmed'>;

/** One file of one kind on its way: chosen, looked through as often as needed, imported. */
export function useFileImport(kind: string) {
  const client = useQueryClient();
  const [chosen, setChosen] = useState<{ name: string; data: string }>();
  const [answers, setAnswers] = useState<Answers>({});
  const [id, setId] = useState(newId);
  const body = (file: { name: string; data: string }, said: Answers): Request => ({
    kind,
    fileName: file.name,
    data: file.data,
    ...said,
  });
  const look = useMutation({
    mutationFn: ({ file, said }: { file: { name: string; data: string }; said: Answers }) =>
      answer(api.POST('/api/imports/look', { body: body(file, said) })),
  });
  const write = useMutation({
    mutationFn: () =>
      answer(api.PUT('/api/imports/{id}', { params: { path: { id } }, body: body(chosen!, answers) })),
    onSuccess: async (view) => {
      if (view.imported) await refresh(client);
    },
  });
  const progress = useQuery({
    queryKey: ['imports', id, 'progress'],
    queryFn: () => answer(api.GET('/api/imports/{id}/progress', { params: { path: { id } } })),
    enabled: write.isPending,
    refetchInterval: 700,
    retry: false,
  });
  return {
    fileName: chosen?.name,
    answers,
    /** The latest answer of the server on the file. */
    view: write.data ?? look.data,
    error: write.error ?? look.error,
    looking: look.isPending,
    writing: write.isPending,
    progress: progress.data,
    choose: async (file: File | null) => {
      if (!file) return;
      const read = { name: file.name, data: await asBase64(file) };
      setChosen(read);
      setAnswers({});
      setId(newId());
      write.reset();
      look.mutate({ file: read, said: {} });
    },
    /** Answers something and looks the file through anew. */
    say: (more: Answers) => {
      const said = { ...answers, ...more };
      setAnswers(said);
      write.reset();
      look.mutate({ file: chosen!, said });
    },
    write: () => write.mutate(),
    stop: () => void api.POST('/api/imports/{id}/stop', { params: { path: { id } } }),
  };
}
