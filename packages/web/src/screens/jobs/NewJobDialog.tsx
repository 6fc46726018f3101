import { Dialog } from 'radix-ui';
import { useState, type FormEvent } from 'react';
import { useNavigate } from 'react-router';
import { useCreateJob } from '../../api/jobs.ts';

export function NewJobDialog() {
  const [name, setName] = useState('');
  const [vehicle, setVehicle] = useState('');
  const [id] = useState(() => crypto.randomUUID());
  const create = useCreateJob();
  const navigate = useNavigate();
  const submit = (event: FormEvent) => {
    event.preventDefault();
    create.mutate(
      { id, name: name.trim(), vehicle: vehicle.trim() },
      { onSuccess: (made) => void navigate(`/jobs/${made.id}/brief`) },
    );
  };
  return (
    <Dialog.Root>
      <Dialog.Trigger className="button button-ink">New job</Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="veil" />
        <Dialog.Content className="dialog">
          <Dialog.Title className="text-xl">New job</Dialog.Title>
          <Dialog.Description className="text-ink-soft">
            What is converted, for whom. The brief comes next.
          </Dialog.Description>
          <form onSubmit={submit} className="mt-3 space-y-3">
            <label className="block">
              <span className="label">Job</span>
              <input
                className="input"
                maxLength={80}
                required
                value={name}
                onChange={(e) => setName(e.target.value)}
                placeholder="such as: boom truck, injected six"
              />
            </label>
            <label className="block">
              <span className="label">Vehicle</span>
              <input className="input" maxLength={120} value={vehicle} onChange={(e) => setVehicle(e.target.value)} />
            </label>
            {create.isError && (
              <p role="alert" className="text-stop">
                {create.error.message}
              </p>
            )}
            <div className="flex justify-end gap-2">
              <Dialog.Close type="button" className="button">
                Cancel
              </Dialog.Close>
              <button className="button button-ink" disabled={name.trim() === '' || create.isPending}>
                Start the job
              </button>
            </div>
          </form>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
