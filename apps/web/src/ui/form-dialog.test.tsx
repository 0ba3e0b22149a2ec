import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { show } from '../../test/page.tsx';
import { Button } from './button.tsx';
import { FormDialog } from './form-dialog.tsx';

afterEach(cleanup);

function open(save: () => Promise<unknown>, remove = vi.fn(async () => undefined)) {
  const closed = vi.fn();
  show(
    <FormDialog
      title="Setup 1"
      does="Save setup"
      save={save}
      aside={(run) => <Button onClick={() => run(remove)}>Remove</Button>}
      onClose={closed}
    >
      <input aria-label="Name" />
    </FormDialog>,
  );
  return { closed, remove };
}
const press = (name: string): void => void fireEvent.click(screen.getByRole('button', { name }));

describe('a form in a dialog', () => {
  it('closes when it is kept', async () => {
    const save = vi.fn(async () => undefined);
    const { closed } = open(save);
    press('Save setup');
    await waitFor(() => expect(closed).toHaveBeenCalledOnce());
    expect(save).toHaveBeenCalledOnce();
  });

  it('stays with the reason when it is refused, and can be tried again', async () => {
    const save = vi
      .fn()
      .mockRejectedValueOnce(new Error('Somebody was quicker.'))
      .mockResolvedValueOnce(undefined);
    const { closed } = open(save);
    press('Save setup');
    expect((await screen.findByRole('alert')).textContent).toBe('Somebody was quicker.');
    expect(closed).not.toHaveBeenCalled();
    press('Save setup');
    await waitFor(() => expect(closed).toHaveBeenCalledOnce());
  });

  it('is not kept twice by a quick hand', async () => {
    let done = (): void => undefined;
    const save = vi.fn(() => new Promise<void>((resolve) => (done = resolve)));
    const { closed } = open(save);
    press('Save setup');
    expect(await screen.findByRole<HTMLButtonElement>('button', { name: 'Working' })).toHaveProperty(
      'disabled',
      true,
    );
    done();
    await waitFor(() => expect(closed).toHaveBeenCalledOnce());
    expect(save).toHaveBeenCalledOnce();
  });

  it('does its other deed the same way', async () => {
    const remove = vi.fn().mockRejectedValueOnce(new Error('This setup still has operations.'));
    const { closed } = open(vi.fn(), remove);
    press('Remove');
    expect((await screen.findByRole('alert')).textContent).toBe('This setup still has operations.');
    expect(closed).not.toHaveBeenCalled();
  });
});
