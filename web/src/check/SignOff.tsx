import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { api, type Check, type Finding, type Job } from '../api/client';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { keepName, lastName } from '../ui/who';

/** Accepting findings: who, and why it is all right. */
export function SignOff({
  job,
  findings,
  onClose,
  onSigned,
}: {
  job: Job;
  findings: readonly Finding[];
  onClose: () => void;
  onSigned: (now: Check) => void;
}) {
  const [by, setBy] = useState(lastName());
  const [reason, setReason] = useState('');
  const sign = useMutation({
    mutationFn: () =>
      api.signOff(
        job.id,
        findings.map((f) => f.id),
        by,
        reason,
      ),
    onSuccess: (now) => {
      keepName(by);
      onSigned(now);
    },
  });
  const first = findings[0];
  if (!first) {
    return null;
  }
  return (
    <Dialog
      open
      onOpenChange={(open) => !open && onClose()}
      title={
        findings.length === 1
          ? `Sign off finding ${first.number}`
          : `Sign off ${findings.length} findings`
      }
    >
      <form
        onSubmit={(e) => {
          e.preventDefault();
          sign.mutate();
        }}
      >
        {findings.length > 1 ? (
          <p className="mb-2 font-semibold">
            {first.title}: numbers {findings.map((f) => f.number).join(', ')}
          </p>
        ) : null}
        <p className="mb-3">{first.message}</p>
        <label className="mb-2 block">
          Your name
          <input
            name="by"
            value={by}
            onChange={(e) => setBy(e.target.value)}
            className="border-edge bg-card mt-0.5 w-full rounded border px-2 py-1"
          />
        </label>
        <label className="mb-3 block">
          Why this is all right
          <textarea
            name="reason"
            value={reason}
            rows={2}
            onChange={(e) => setReason(e.target.value)}
            className="border-edge bg-card mt-0.5 w-full rounded border px-2 py-1"
          />
        </label>
        {sign.error ? (
          <p role="alert" className="text-stop mb-2">
            {sign.error.message}
          </p>
        ) : null}
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>Leave it open</Button>
          <Button look="main" type="submit" disabled={!by.trim() || !reason.trim()}>
            Sign off
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
