import js from "@eslint/js";
import prettier from "eslint-config-prettier";
import hooks from "eslint-plugin-react-hooks";
import globals from "globals";
import ts from "typescript-eslint";

export default ts.config(
  { ignores: ["dist", "target", "node_modules", "src/api/schema.ts"] },
  js.configs.recommended,
  ts.configs.strict,
  hooks.configs.flat.recommended,
  prettier,
  { languageOptions: { globals: { ...globals.browser } } },
  {
    files: ["src/**/*.ts", "src/**/*.tsx"],
    ignores: ["src/**/*.test.ts", "src/**/*.test.tsx", "src/testing.tsx"],
    rules: {
      "no-restricted-syntax": [
        "error",
        {
          selector: 'Literal[value="0.00"]',
          message: "Not every currency has two decimals: use zero(currency).",
        },
      ],
    },
  },
);
