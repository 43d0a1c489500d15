// What our screens use of TanStack Query; bundled from this list the rest is shaken off. A name that is missing here
// fails at the first page, so the journeys find it.
export { QueryClient, QueryClientProvider, queryOptions, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
