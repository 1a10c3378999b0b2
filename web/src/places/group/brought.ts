import { useQuery } from '@tanstack/react-query';
import { api, kept, type Schemas, take } from '../../api/client';
import { useEdit } from '../../pieces/useEdit';

export type Submission = Schemas['SubmissionSheet'];
export type Question = Schemas['QuestionSheet'];

export const useQueue = () => useQuery({ queryKey: ['group', 'queue'], queryFn: () => take(api.GET('/api/groups/queue')) });

/** A submitted recipe whole, asked anew when it was sent again. */
export const useSubmission = (id: string, number: number) =>
  useQuery({
    queryKey: ['group', 'queue', id, number],
    queryFn: () => take(api.GET('/api/groups/queue/{id}', { params: { path: { id } } })),
  });

export const useOwnSubmissions = () =>
  useQuery({ queryKey: ['group', 'submissions'], queryFn: () => take(api.GET('/api/groups/submissions')) });

export const useAsked = () => useQuery({ queryKey: ['group', 'asked'], queryFn: () => take(api.GET('/api/groups/asked')) });

export const useQuestions = (group: string) =>
  useQuery({
    queryKey: ['group', 'questions', group],
    queryFn: () => take(api.GET('/api/groups/{group}/questions', { params: { path: { group } } })),
  });

/** What was asked before that is like these words. */
export const useLikeQuestions = (group: string, words: string) =>
  useQuery({
    queryKey: ['group', 'questions', group, 'like', words],
    enabled: words.length > 0,
    queryFn: () => take(api.GET('/api/groups/{group}/questions/like', { params: { path: { group }, query: { words } } })),
  });

/** What the desk does with what members bring. */
export function useDeskAnswers() {
  const edit = useEdit();
  const at = (id: string) => ({ params: { path: { id } } });
  return {
    isPending: edit.isPending,
    problem: edit.problem,
    askBack: (id: string, reply: string) =>
      edit.run({
        say: 'It is asked back.',
        isTold: true,
        ask: () => kept(api.POST('/api/groups/queue/{id}/ask-back', { ...at(id), body: { reply } })),
      }),
    decline: (id: string, reply: string) =>
      edit.run({
        say: 'It is declined.',
        isTold: true,
        ask: () => kept(api.POST('/api/groups/queue/{id}/decline', { ...at(id), body: { reply } })),
      }),
    takeUp: (id: string, name: string) =>
      edit.run({
        say: `${name} is in the library.`,
        isTold: true,
        ask: () => kept(api.POST('/api/groups/queue/{id}/take-up', { ...at(id), body: { name } })),
      }),
    answer: (id: string, body: Schemas['AnswerRequest'], say: string) =>
      edit.run({ say, isTold: true, ask: () => kept(api.PUT('/api/groups/asked/{id}', { ...at(id), body })) }),
    sayHelp: (help: string) =>
      edit.run({
        say: 'That is said to who writes of harm.',
        isTold: true,
        ask: () => kept(api.PUT('/api/groups/help', { body: { help } })),
      }),
  };
}

/** What a member brings to a group, and asks there. */
export function useBringing(group: string) {
  const edit = useEdit();
  const at = (id: string) => ({ params: { path: { group, id } } });
  return {
    isPending: edit.isPending,
    problem: edit.problem,
    send: (id: string | null, body: Schemas['SubmissionRequest']) =>
      edit.run({
        say: 'It is sent. The answer will stand here.',
        isTold: true,
        ask: () =>
          kept(
            id === null
              ? api.POST('/api/groups/{group}/submissions', { params: { path: { group } }, body })
              : api.PUT('/api/groups/{group}/submissions/{id}', { ...at(id), body }),
          ),
      }),
    takeBack: (id: string) =>
      edit.run({ say: 'It is taken back.', ask: () => kept(api.DELETE('/api/groups/{group}/submissions/{id}', at(id))) }),
    ask: (body: Schemas['AskRequest']) =>
      edit.run({
        say: 'It is asked. The answer will stand here.',
        isTold: true,
        ask: () => kept(api.POST('/api/groups/{group}/questions', { params: { path: { group } }, body })),
      }),
    takeQuestionBack: (id: string) =>
      edit.run({ say: 'It is taken back.', ask: () => kept(api.DELETE('/api/groups/{group}/questions/{id}', at(id))) }),
    askToo: (id: string, isAsked: boolean) =>
      edit.run({ ask: () => kept(api.PUT('/api/groups/{group}/questions/{id}/too', { ...at(id), body: { isAsked } })) }),
    report: (id: string, why: string) =>
      edit.run({
        say: 'The desk looks at it.',
        ask: () => kept(api.POST('/api/groups/{group}/questions/{id}/report', { ...at(id), body: { why } })),
      }),
  };
}
