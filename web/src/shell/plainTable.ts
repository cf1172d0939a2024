/** A table as a ledger has it: lines between rows, nothing else. */
export const plainTable = {
  borderCollapse: 'collapse',
  width: '100%',
  '& th, & td': {
    textAlign: 'left',
    verticalAlign: 'top',
    py: 0.75,
    pr: 1.5,
    borderTop: '1px solid',
    borderColor: 'divider',
  },
} as const;
