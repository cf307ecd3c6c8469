import {
  Alert,
  Box,
  Button,
  MenuItem,
  Table,
  TableBody,
  TableCell,
  TableHead,
  TableRow,
  TextField,
  Typography,
} from "@mui/material";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useForm } from "react-hook-form";
import { api, data, type Schemas } from "../api/client";
import { useBooks } from "./session";
import { WorksIn } from "./WorksIn";
import { EditDialog } from "../settings/EditDialog";
import { History } from "../settings/History";
import { Failed, Loading } from "../shared/States";

const MAY: Record<Schemas["NewUser"]["role"], string> = {
  CLERK: "takes in, drafts, posts, reverses own settlements",
  SUPERVISOR: "all that a clerk may, and reverses the settlements of others",
  AUDITOR: "reads everything, changes nothing",
  ADMINISTRATOR: "users and companies; no posting",
};

/** As the form has it; of several companies he is told once he is there. */
type NewUser = Omit<Schemas["NewUser"], "companies"> & { worksIn: string };

/** The users, for the administrator: who there is, and one more. */
export default function UsersView() {
  const queries = useQueryClient();
  const users = useQuery({ queryKey: ["users"], queryFn: async () => data(await api.GET("/api/users")) });
  const { register, handleSubmit, reset } = useForm<NewUser>({
    defaultValues: { role: "CLERK", worksIn: "" },
  });
  const [refused, setRefused] = useState("");
  const [changed, setChanged] = useState<Schemas["UserView"] | null>(null);
  const [locked, setLocked] = useState<string | null>(null);
  const [member, setMember] = useState<Schemas["UserView"] | null>(null);
  const books = useBooks();
  const change = useMutation({
    mutationFn: async ({ fullName = "", role = "CLERK", maySignIn = "" }: Record<string, string>) =>
      api.PUT("/api/users/{user}", {
        params: { path: { user: changed?.user ?? "" } },
        body: {
          fullName,
          role: role as Schemas["NewUser"]["role"],
          maySignIn: maySignIn === "true",
        },
      }),
    onSuccess: async () => {
      setChanged(null);
      await queries.invalidateQueries();
    },
  });
  const password = useMutation({
    mutationFn: async ({ password: other = "" }: Record<string, string>) =>
      api.POST("/api/users/{user}/password", {
        params: { path: { user: locked ?? "" } },
        body: { password: other },
      }),
    onSuccess: () => setLocked(null),
  });

  const add = async ({ worksIn, ...user }: NewUser) => {
    setRefused("");
    try {
      const companies = worksIn === "" ? undefined : [Number(worksIn)];
      await api.POST("/api/users", { body: { ...user, companies } });
      reset();
      await queries.invalidateQueries({ queryKey: ["users"] });
    } catch (error) {
      setRefused((error as Error).message);
    }
  };

  if (users.isPending) {
    return <Loading />;
  }
  if (users.error) {
    return <Failed error={users.error} />;
  }
  return (
    <Box sx={{ p: 3, maxWidth: 1080 }}>
      <Typography variant="h1" sx={{ mb: 2 }}>
        Users
      </Typography>
      <Table>
        <TableHead>
          <TableRow>
            <TableCell>User</TableCell>
            <TableCell>Name</TableCell>
            <TableCell>Role</TableCell>
            <TableCell>May</TableCell>
            <TableCell>Works in</TableCell>
            <TableCell />
          </TableRow>
        </TableHead>
        <TableBody>
          {users.data.map((user) => (
            <TableRow key={user.user}>
              <TableCell className="figure">{user.user}</TableCell>
              <TableCell>{user.fullName}</TableCell>
              <TableCell>{user.role.toLowerCase()}</TableCell>
              <TableCell>{user.maySignIn ? MAY[user.role] : "sign in no more"}</TableCell>
              <TableCell>
                {user.companies
                  ? user.companies.map((id) => books.group.find((c) => c.id === id)?.name ?? id).join(", ")
                  : "all companies"}
              </TableCell>
              <TableCell align="right" sx={{ py: 0, whiteSpace: "nowrap" }}>
                <Button aria-label={`Change ${user.user}`} onClick={() => setChanged(user)}>
                  Change…
                </Button>
                {user.role !== "ADMINISTRATOR" && (
                  <Button aria-label={`Companies of ${user.user}`} onClick={() => setMember(user)}>
                    Companies…
                  </Button>
                )}
                <Button aria-label={`New password for ${user.user}`} onClick={() => setLocked(user.user)}>
                  Password…
                </Button>
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      <Typography variant="h2" sx={{ mt: 4, mb: 2 }}>
        Add a user
      </Typography>
      <Box
        component="form"
        onSubmit={handleSubmit(add)}
        sx={{ display: "flex", gap: 1.5, alignItems: "flex-start", flexWrap: "wrap" }}
      >
        <TextField label="User" {...register("user", { required: true })} sx={{ width: 140 }} />
        <TextField label="Full name" {...register("fullName", { required: true })} />
        <TextField select label="Role" defaultValue="CLERK" {...register("role")} sx={{ width: 150 }}>
          {Object.keys(MAY).map((role) => (
            <MenuItem key={role} value={role}>
              {role.toLowerCase()}
            </MenuItem>
          ))}
        </TextField>
        {books.group.length > 1 && (
          <TextField
            select
            label="Works in"
            defaultValue=""
            {...register("worksIn")}
            slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
            sx={{ width: 210 }}
          >
            <MenuItem value="">all companies</MenuItem>
            {books.group.map((c) => (
              <MenuItem key={c.id} value={String(c.id)}>
                {c.name} only
              </MenuItem>
            ))}
          </TextField>
        )}
        <TextField
          label="First password"
          type="password"
          autoComplete="new-password"
          helperText="At least 10 characters."
          {...register("password", { required: true })}
        />
        <Button type="submit" variant="contained" size="medium">
          Add
        </Button>
      </Box>
      {refused && (
        <Alert severity="error" variant="outlined" sx={{ mt: 2 }}>
          {refused}
        </Alert>
      )}
      {changed && (
        <EditDialog
          title={`Change ${changed.user}`}
          fields={[
            { name: "fullName", label: "Full name", value: changed.fullName },
            {
              name: "role",
              label: "Role",
              value: changed.role,
              options: Object.keys(MAY).map((role): [string, string] => [role, role.toLowerCase()]),
            },
            { name: "maySignIn", label: "May sign in", value: String(changed.maySignIn), tick: true },
          ]}
          doing="Save; his sessions end"
          error={change.error}
          busy={change.isPending}
          save={(values) => change.mutate(values)}
          close={() => {
            change.reset();
            setChanged(null);
          }}
        />
      )}
      {member && <WorksIn user={member} close={() => setMember(null)} />}
      {locked !== null && (
        <EditDialog
          title={`A new password for ${locked}`}
          fields={[
            { name: "password", label: "Password", value: "", secret: true, hint: "At least 10 characters." },
          ]}
          doing="Set it; his sessions end"
          error={password.error}
          busy={password.isPending}
          save={(values) => password.mutate(values)}
          close={() => {
            password.reset();
            setLocked(null);
          }}
        />
      )}
      <History what="app_user" may />
    </Box>
  );
}
