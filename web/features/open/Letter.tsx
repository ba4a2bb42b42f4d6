import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';

/** The text of a letter, to be changed, copied or printed. */
export function Letter({ text }: { text: string }) {
  const [typed, setTyped] = useState(text);
  const [copied, setCopied] = useState(false);
  const print = () => {
    // Printed by itself: the page around it is not part of the letter.
    const frame = document.createElement('iframe');
    frame.style.display = 'none';
    document.body.append(frame);
    const page = frame.contentDocument;
    if (page !== null) {
      const body = page.createElement('pre');
      body.style.cssText = 'font: 12pt/1.5 serif; white-space: pre-wrap; margin: 2cm';
      body.textContent = typed;
      page.body.append(body);
      frame.contentWindow?.print();
    }
    setTimeout(() => frame.remove(), 60_000);
  };
  return (
    <>
      <TextField
        fullWidth
        multiline
        minRows={12}
        label="Letter"
        value={typed}
        onChange={(event) => {
          setTyped(event.target.value);
          setCopied(false);
        }}
        sx={{ mt: 1 }}
      />
      <Box sx={{ display: 'flex', gap: 1, mt: 1 }}>
        <Button
          variant="outlined"
          onClick={() => void navigator.clipboard.writeText(typed).then(() => setCopied(true))}
        >
          {copied ? 'Copied' : 'Copy'}
        </Button>
        <Button variant="outlined" onClick={print}>
          Print
        </Button>
      </Box>
    </>
  );
}
