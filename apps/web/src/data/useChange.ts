import { useMutation, useQueryClient, type QueryClient } from '@tanstack/react-query';
import { ServerUnreachable } from './client.ts';

/** How often something is tried again whose answer was lost: it carries its id, so it is done once all the same. */
const TRIES = 2;
/**
 * A change that makes these answers old. What is changed goes out with an id of its own, the same one however often it is sent.
 */
export function useChange<In, Out>(
  change: (input: In, id: string) => Promise<Out>,
  stale: readonly (readonly string[])[],
  /** Shows it as it will be at once, so that the next change builds on it; gives back what shows it as it was, where it is refused. */
  ahead?: (client: QueryClient, input: In) => () => void,
  /** Keeps what was answered; then it is done, and what is old is fetched meanwhile. */
  answered?: (client: QueryClient, answer: Out) => void,
  /** Those of one name go out one after the other. */
  after?: string,
) {
  const client = useQueryClient();
  const mutation = useMutation({
    mutationFn: ({ input, id }: { input: In; id: string }) => change(input, id),
    onMutate: ({ input }) => ahead?.(client, input),
    onError: (_error, _input, asItWas) => asItWas?.(),
    ...(after === undefined ? {} : { scope: { id: after } }),
    retry: (failed, error) => failed < TRIES && error instanceof ServerUnreachable,
    retryDelay: 400,
    onSuccess: (answer) => answered?.(client, answer),
    onSettled: () => {
      const fetched = Promise.all(stale.map((queryKey) => client.invalidateQueries({ queryKey })));
      return answered ? undefined : fetched;
    },
  });
  return {
    error: mutation.error,
    isPending: mutation.isPending,
    mutate: (input: In, options?: { onSuccess?: (answer: Out) => void }) =>
      mutation.mutate({ input, id: crypto.randomUUID() }, options),
    mutateAsync: (input: In) => mutation.mutateAsync({ input, id: crypto.randomUUID() }),
  };
}
