import { MutationCache, type Query, QueryClient } from "@tanstack/react-query";

/**
 * The cache of server data. A query that was in progress during a write may return old data, so it is cancelled and
 * repeated; invalidating it would not be enough.
 *
 * @param isPassing whether what failed may well succeed a little later
 */
export function makeQueryClient(isPassing: (fault: Error) => boolean): QueryClient {
	const client = new QueryClient({
		mutationCache: new MutationCache({
			onSuccess: async () => {
				const first = (query: Query) => query.state.data === undefined && query.state.fetchStatus === "fetching";
				const queries = client.getQueryCache().findAll({ predicate: first });
				const isOne = (query: Query) => queries.includes(query);
				await client.cancelQueries({ predicate: isOne });
				void client.refetchQueries({ predicate: isOne });
			},
		}),
		defaultOptions: {
			queries: { retry: (failures, fault) => isPassing(fault) && failures < 2 },
		},
	});
	return client;
}
