import { Box, Link } from "@mui/material";
import { Link as RouterLink } from "react-router";

/** A customer's name in a list, leading to his account; with his number where there is room. */
export function CustomerLink({ id, name, number }: { id: number; name: string; number?: string }) {
  return (
    <>
      <Link component={RouterLink} to={`/posted/customers/${id}`} color="inherit" underline="hover">
        {name}
      </Link>
      {number && (
        <Box component="span" className="figure" sx={{ color: "text.secondary", fontSize: 12, ml: 0.75 }}>
          {number}
        </Box>
      )}
    </>
  );
}
