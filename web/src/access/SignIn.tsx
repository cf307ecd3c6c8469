import { Alert, Box, Button, Link, TextField, Typography } from "@mui/material";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useForm } from "react-hook-form";
import { api, data } from "../api/client";
import { Mark } from "../frame/Mark";
import { Failed, Loading } from "../shared/States";

interface Fields {
  code: string;
  user: string;
  fullName: string;
  password: string;
}

/** The first page: sign in, or make the first administrator where there is none. */
export function SignIn() {
  const queries = useQueryClient();
  const welcome = useQuery({
    queryKey: ["welcome"],
    queryFn: async () => data(await api.GET("/api/welcome")),
  });
  const { register, handleSubmit, formState } = useForm<Fields>();
  const [refused, setRefused] = useState("");

  if (welcome.isPending) {
    return <Loading />;
  }
  if (welcome.error) {
    return <Failed error={welcome.error} retry={() => void welcome.refetch()} />;
  }
  const first = welcome.data.needsAdministrator;

  const enter = async ({ code, user, fullName, password }: Fields) => {
    setRefused("");
    try {
      const me = first
        ? data(await api.POST("/api/first-administrator", { body: { user, fullName, password, code } }))
        : data(await api.POST("/api/session", { body: { user, password } }));
      queries.setQueryData(["me"], me);
    } catch (error) {
      setRefused((error as Error).message);
    }
  };

  return (
    <Box sx={{ minHeight: "100vh", display: "grid", gridTemplateColumns: "minmax(300px, 5fr) 7fr" }}>
      <Box
        component="main"
        sx={{
          p: 6,
          borderRight: 1,
          borderColor: "divider",
          display: "flex",
          flexDirection: "column",
          gap: 3,
        }}
      >
        <Mark />
        <Typography variant="h1">{first ? "The first administrator" : "Sign in"}</Typography>
        {first && (
          <Typography>
            Nobody can sign in here yet. The first administrator adds the other users. The server printed a
            one-time code when it started.
          </Typography>
        )}
        <Box
          component="form"
          onSubmit={handleSubmit(enter)}
          sx={{ display: "flex", flexDirection: "column", gap: 2, maxWidth: 340 }}
        >
          {first && (
            <TextField
              label="One-time code"
              autoFocus
              autoComplete="one-time-code"
              {...register("code", { required: true })}
            />
          )}
          <TextField
            label="User"
            autoFocus={!first}
            autoComplete="username"
            {...register("user", { required: true })}
          />
          {first && <TextField label="Full name" {...register("fullName", { required: true })} />}
          <TextField
            label="Password"
            type="password"
            autoComplete={first ? "new-password" : "current-password"}
            helperText={first ? "At least 10 characters." : undefined}
            {...register("password", { required: true })}
          />
          {refused && (
            <Alert severity="error" variant="outlined">
              {refused}
            </Alert>
          )}
          <Button type="submit" variant="contained" size="medium" disabled={formState.isSubmitting}>
            {first ? "Add administrator" : "Sign in"}
          </Button>
        </Box>
        {welcome.data.demoUsers.length > 0 && (
          <Box sx={{ mt: "auto", maxWidth: 360 }}>
            <Typography variant="body2" color="textSecondary" sx={{ mb: 1 }}>
              This is a demonstration with made-up books. Enter as
            </Typography>
            {welcome.data.demoUsers.map((demo) => (
              <Box
                key={demo.user}
                sx={{ display: "flex", gap: 2, py: 0.5, borderTop: 1, borderColor: "divider" }}
              >
                <Link
                  component="button"
                  type="button"
                  onClick={() =>
                    void enter({ code: "", user: demo.user, fullName: "", password: demo.password })
                  }
                  sx={{ width: 70, textAlign: "left", fontWeight: 700 }}
                >
                  {demo.user}
                </Link>
                <Typography variant="body2" sx={{ flex: 1 }}>
                  {demo.role.toLowerCase()}
                </Typography>
                <Typography variant="body2" className="figure" color="textSecondary">
                  {demo.password}
                </Typography>
              </Box>
            ))}
          </Box>
        )}
      </Box>
      <Box
        aria-hidden
        sx={{
          p: 6,
          display: { xs: "none", md: "flex" },
          flexDirection: "column",
          justifyContent: "center",
          gap: 2.5,
        }}
      >
        {[[62, 21, 17], [38, 62], [100], [55, 30], [24, 24, 24, 28]].map((parts, row) => (
          <Box
            key={row}
            sx={{ display: "flex", height: 26, width: `${92 - row * 9}%`, border: 1, borderColor: "settled" }}
          >
            {parts.map((part, n) => (
              <Box
                key={n}
                sx={{
                  width: `${part}%`,
                  bgcolor: "settledTint",
                  borderRight: n < parts.length - 1 ? 1 : 0,
                  borderColor: "settled",
                }}
              />
            ))}
            {row === 3 && (
              <Box
                sx={{ flex: 1, bgcolor: "background.default", borderLeft: 1, borderColor: "primary.main" }}
              />
            )}
          </Box>
        ))}
        <Typography variant="h2" sx={{ mt: 2, maxWidth: 420 }}>
          Every cent that arrived, applied to what it pays, until nothing is left over.
        </Typography>
      </Box>
    </Box>
  );
}
