import { useEffect, useState } from 'react';
import type { Brew } from '#contracts/brews';
import type { LogFilters } from '#contracts/log';
import { useLogQuery } from '../../entities/brews/api';

/** The brews of this list, page after page: another list begins anew. */
export function usePages(key: string, filters: LogFilters) {
  const [pages, setPages] = useState<{ key: string; befores: string[] }>({ key, befores: [] });
  const befores = pages.key === key ? pages.befores : [];
  const before = befores[befores.length - 1];
  const { data, isLoading, isFetching, isError, refetch } = useLogQuery({ ...filters, before });
  const first = useLogQuery(filters).data;
  const [earlier, setEarlier] = useState<{ key: string; brews: Brew[] }>({ key, brews: [] });
  useEffect(() => setEarlier((e) => (e.key === key ? e : { key, brews: [] })), [key]);
  const shown = [
    ...(earlier.key === key ? earlier.brews : []),
    ...(data && !isFetching ? data.brews : []),
  ];
  const more = () => {
    if (!data?.next) return;
    setEarlier({ key, brews: shown });
    setPages({ key, befores: [...befores, data.next] });
  };
  return { data, isLoading, isFetching, isError, refetch, first, shown, more };
}
