import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import Link from '@mui/material/Link';
import MenuItem from '@mui/material/MenuItem';
import PaperBox from '@mui/material/Paper';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { useRef, useState } from 'react';
import { Link as RouterLink, useNavigate, useParams } from 'react-router';

import { api, faultAt, send } from '../../api/client';
import { day } from '../../shell/dates';
import { MadeFile } from '../../shell/MadeFile';
import { Failed, Loading } from '../../shell/States';
import { useSettled } from '../../shell/useSettled';
import { IfMay } from '../../shell/IfMay';
import { useMay } from '../../shell/useSignedIn';
import { ConsentDialog } from './ConsentDialog';
import { type Paper, usePaper, usePaperActs, usePreview, type Written } from './usePapers';

/** One paper: its texts on the left while it is a draft, the page as it will be on the right. */
export function PaperPage() {
  const { id = '', paper = '' } = useParams();
  const [version, setVersion] = useState<number | null>(null);
  const found = usePaper(id, paper, version);
  if (found.isPending) return <Loading what="the paper" />;
  if (found.data === undefined) return <Failed problem={found.error} onRetry={() => void found.refetch()} />;
  return (
    <PaperView
      key={`${found.data.id} ${found.data.version} ${found.data.shown}`}
      id={id}
      paper={found.data}
      onChoose={setVersion}
    />
  );
}

const writtenOf = (paper: Paper): Written => ({
  to: paper.to,
  texts: Object.fromEntries(paper.blocks.flatMap((block) => (block.text === null ? [] : [[block.key, block.text]]))),
  left_out: paper.blocks.filter((block) => block.left_out).map((block) => block.key),
});

function PaperView({ id, paper, onChoose }: { id: string; paper: Paper; onChoose: (version: number | null) => void }) {
  const [written, setWritten] = useState(() => writtenOf(paper));
  const [agreeing, setAgreeing] = useState(false);
  const decides = useMay()('decide');
  const acts = usePaperActs(id, paper.id);
  // Whoever does not decide reads it as it stands.
  const isDraft = paper.signed_at === null && decides;
  const isLatest = paper.shown === paper.version;
  const isChanged = JSON.stringify(written) !== JSON.stringify(writtenOf(paper));
  const settled = useSettled(written);
  const preview = usePreview(id, paper.id, settled, paper.version, isDraft && isLatest && isChanged);
  const html = isChanged ? (preview.data?.html ?? paper.html) : paper.html;
  return (
    <Box
      component="main"
      sx={{
        p: 2,
        display: 'grid',
        gap: 2,
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(340px, 440px) minmax(0, 1fr)' },
        alignItems: 'start',
      }}
    >
      <Box sx={{ display: 'grid', gap: 1.5, minWidth: 0 }}>
        <Box>
          <Typography variant="h1">{paper.title}</Typography>
          <Typography color="textSecondary">
            <Link component={RouterLink} to={`/cases/${id}/papers`}>
              Papers of {paper.athlete}
            </Link>
          </Typography>
        </Box>
        <State paper={paper} onAgree={() => setAgreeing(true)} onWithdraw={() => acts.withdraw.mutate()} />
        {isDraft && isLatest && <Sign paper={paper} id={id} acts={acts} written={written} isChanged={isChanged} />}
        {paper.obstacle === null && (
          <IfMay what="take-out">
            <TakeOut id={id} paper={paper} />
          </IfMay>
        )}
        {paper.versions.length > 1 && (
          <TextField
            select
            label="Version"
            value={paper.shown}
            onChange={(event) => {
              const number = Number(event.target.value);
              onChoose(number === paper.version ? null : number);
            }}
            disabled={isChanged}
            helperText={isChanged ? 'Save first, then look at another version.' : undefined}
          >
            {paper.versions.map((version) => (
              <MenuItem key={version.number} value={version.number}>
                {version.number}: {version.by}, {day(version.at.slice(0, 10))} {version.at.slice(11, 16)}
                {version.number === 1 ? ' (from the record)' : ''}
              </MenuItem>
            ))}
          </TextField>
        )}
        {!isLatest && (
          <Alert severity="info">
            An earlier version. <Button onClick={() => onChoose(null)}>Back to the latest</Button>
          </Alert>
        )}
        {isDraft && isLatest && (
          <Texts
            paper={paper}
            written={written}
            onChange={setWritten}
            problem={acts.save.error ?? preview.error ?? acts.sign.error}
          />
        )}
      </Box>
      <Page html={html} title={paper.title} leaves={paper.obstacle === null} />
      {agreeing && <ConsentDialog paper={paper} acts={acts} onClose={() => setAgreeing(false)} />}
    </Box>
  );
}

/** What stands between the paper and its reader. */
function State({ paper, onAgree, onWithdraw }: { paper: Paper; onAgree: () => void; onWithdraw: () => void }) {
  return (
    <PaperBox variant="outlined" sx={{ p: 1.5, display: 'grid', gap: 0.5 }}>
      <Typography variant="subtitle1" sx={{ color: paper.signed_at === null ? 'watch.main' : 'primary.main' }}>
        {paper.signed_at === null
          ? `Draft, version ${paper.version}`
          : `Signed by ${paper.signed_by ?? ''} on ${day(paper.signed_at.slice(0, 10))}, version ${paper.version}`}
      </Typography>
      {paper.needs_consent &&
        (paper.consent === null ? (
          <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, flexWrap: 'wrap' }}>
            <Typography sx={{ flex: 1 }}>There is no agreement to send it yet.</Typography>
            <IfMay what="decide">
              <Button variant="outlined" onClick={onAgree}>
                Record the agreement …
              </Button>
            </IfMay>
          </Box>
        ) : (
          <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, flexWrap: 'wrap' }}>
            <Typography sx={{ flex: 1 }}>
              {paper.consent.by} agreed on {day(paper.consent.on)} ({paper.consent.how})
              {paper.consent.diagnosis ? ', also that it names the diagnosis' : ''}.
            </Typography>
            <IfMay what="decide">
              <Button onClick={onAgree}>Change …</Button>
              <Button onClick={onWithdraw}>No longer agrees</Button>
            </IfMay>
          </Box>
        ))}
      {paper.tells_diagnosis.length > 0 && paper.consent?.diagnosis !== true && (
        <Alert severity="warning">
          It says “{paper.tells_diagnosis.join('”, “')}”. Take it out, or record that the athlete agrees to the
          diagnosis being named.
        </Alert>
      )}
      {paper.signed_at !== null && paper.obstacle !== null && <Alert severity="warning">{paper.obstacle}</Alert>}
    </PaperBox>
  );
}

function Sign({
  paper,
  id,
  acts,
  written,
  isChanged,
}: {
  paper: Paper;
  id: string;
  acts: ReturnType<typeof usePaperActs>;
  written: Written;
  isChanged: boolean;
}) {
  const navigate = useNavigate();
  const problem = acts.save.error ?? acts.sign.error ?? acts.discard.error;
  return (
    <Box sx={{ position: 'sticky', top: 0, zIndex: 2, bgcolor: 'background.default', py: 1 }}>
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        <Button
          variant={isChanged ? 'contained' : 'outlined'}
          disabled={!isChanged}
          loading={acts.save.isPending}
          onClick={() => acts.save.mutate({ written, basedOn: paper.version })}
        >
          Save
        </Button>
        <Button
          variant={isChanged ? 'outlined' : 'contained'}
          disabled={isChanged}
          loading={acts.sign.isPending}
          onClick={() => acts.sign.mutate(paper.version)}
        >
          Sign
        </Button>
        <Button
          loading={acts.discard.isPending}
          onClick={() => acts.discard.mutate(undefined, { onSuccess: () => void navigate(`/cases/${id}/papers`) })}
        >
          Discard
        </Button>
      </Box>
      <Typography variant="body2" color="textSecondary" sx={{ mt: 0.5 }}>
        {isChanged ? 'Save what you wrote, read it once more, then sign.' : 'What is signed stays as it is.'}
      </Typography>
      {problem !== null && faultAt(problem, 'to') === undefined && <Failed problem={problem} />}
    </Box>
  );
}

function TakeOut({ id, paper }: { id: string; paper: Paper }) {
  const [size, setSize] = useState<'A4' | 'letter'>('A4');
  return (
    <PaperBox variant="outlined" sx={{ p: 1.5, display: 'grid', gap: 1 }}>
      <ToggleButtonGroup
        exclusive
        size="small"
        value={size}
        aria-label="Size of the paper"
        onChange={(_, next: 'A4' | 'letter' | null) => {
          if (next !== null) setSize(next);
        }}
      >
        <ToggleButton value="A4">A4</ToggleButton>
        <ToggleButton value="letter">Letter</ToggleButton>
      </ToggleButtonGroup>
      <MadeFile
        key={size}
        label="Make the PDF"
        ask={() =>
          send(() =>
            api.POST('/api/cases/{case}/papers/{paper}/file', {
              params: { path: { case: id, paper: paper.id } },
              body: { size },
            }),
          )
        }
      />
      <Typography variant="body2" color="textSecondary">
        The record shows that you exported it.
      </Typography>
    </PaperBox>
  );
}

function Texts({
  paper,
  written,
  onChange,
  problem,
}: {
  paper: Paper;
  written: Written;
  onChange: (next: Written) => void;
  problem: unknown;
}) {
  const setOut = (key: string, out: boolean) =>
    onChange({
      ...written,
      left_out: out ? [...written.left_out, key] : written.left_out.filter((item) => item !== key),
    });
  return (
    <Box sx={{ display: 'grid', gap: 1.5 }}>
      <TextField
        label="To"
        multiline
        minRows={2}
        value={written.to}
        onChange={(event) => onChange({ ...written, to: event.target.value })}
        error={faultAt(problem, 'to') !== undefined}
        helperText={
          faultAt(problem, 'to') ??
          (paper.needs_consent ? 'Name and address, as they stand on the paper' : 'May stay empty')
        }
      />
      {paper.blocks.map((block) => {
        const out = written.left_out.includes(block.key);
        return block.text === null ? (
          <FormControlLabel
            key={block.key}
            control={<Checkbox checked={!out} onChange={(event) => setOut(block.key, !event.target.checked)} />}
            label={`${block.title} (drawn from the record)`}
          />
        ) : (
          <TextField
            key={block.key}
            label={block.title}
            multiline
            minRows={1}
            value={written.texts[block.key] ?? ''}
            onChange={(event) => onChange({ ...written, texts: { ...written.texts, [block.key]: event.target.value } })}
            error={faultAt(problem, `texts.${block.key}`) !== undefined}
            helperText={
              faultAt(problem, `texts.${block.key}`) ??
              ((written.texts[block.key] ?? '') === '' ? 'Empty: it is left out.' : undefined)
            }
          />
        );
      })}
    </Box>
  );
}

/** The page as it is printed, once it may leave. */
function Page({ html, title, leaves }: { html: string; title: string; leaves: boolean }) {
  const frame = useRef<HTMLIFrameElement>(null);
  return (
    <Box sx={{ position: { md: 'sticky' }, top: { md: 8 }, display: 'grid', gap: 1 }}>
      <Box
        component="iframe"
        ref={frame}
        title={`${title}, as it will be`}
        srcDoc={html}
        sandbox="allow-same-origin allow-modals"
        sx={{
          width: '100%',
          height: { xs: 640, md: 'calc(100vh - 120px)' },
          border: 1,
          borderColor: 'divider',
          bgcolor: '#fff',
        }}
      />
      {leaves && (
        <Box sx={{ justifySelf: 'end' }}>
          <Button onClick={() => frame.current?.contentWindow?.print()}>Print</Button>
        </Box>
      )}
    </Box>
  );
}
