import { useQuery, useQueryClient } from "@tanstack/react-query";
import { createContext, useContext } from "react";
import { api, data, Refusal, type Schemas } from "../api/client";

export type Me = Schemas["Me"];

/** Who is signed in; null where nobody is. */
export function useSession() {
  return useQuery({
    queryKey: ["me"],
    staleTime: Infinity,
    queryFn: async (): Promise<Me | null> => {
      try {
        return data(await api.GET("/api/me"));
      } catch (error) {
        if (error instanceof Refusal && error.status === 401) {
          return null;
        }
        throw error;
      }
    },
  });
}

export function useSignOut() {
  const queries = useQueryClient();
  return async () => {
    await api.DELETE("/api/session");
    queries.clear();
    queries.setQueryData(["me"], null);
  };
}

/** The company in whose books one works, and the currency of its bank accounts. */
export interface Books {
  company: number;
  companyName: string;
  currency: string;
  mayPost: boolean;
  /** Who works in them. */
  user: string;
  supervisor: boolean;
  /** All companies in which one works, this one too. */
  group: { id: number; name: string }[];
}

export const BooksContext = createContext<Books>({
  company: 0,
  companyName: "",
  currency: "USD",
  mayPost: false,
  user: "",
  supervisor: false,
  group: [],
});

export function useBooks(): Books {
  return useContext(BooksContext);
}

/** The currency in which the company keeps its books; the one worked in may be another. */
export function useOwnCurrency(): string {
  const books = useBooks();
  return useSession().data?.companies.find((c) => c.id === books.company)?.currency ?? books.currency;
}
