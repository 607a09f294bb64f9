import { useForm } from 'react-hook-form';
import type { BackupPlan } from '#core/backups';
import { dayAndTime } from '#core/time';
import type { EpochMs } from '#core/units';
import { useSetBackupPlanMutation } from '../../../entities/exchange/backupsApi';
import { useClock } from '../../../entities/people/session';
import { fieldFaults } from '../../../platform/api';
import { NotSaved } from '../../../platform/NotSaved';
import { CheckField, showFaults, TextField } from '../../../ui/fields';

type Form = { daily: boolean; time: string; days: string; weeks: string; months: string };

/** When the house backs itself up, and which backups stay. */
export function PlanForm({ plan, next }: { plan: BackupPlan; next: number | null }) {
  const clock = useClock();
  const form = useForm<Form>({
    defaultValues: {
      daily: plan.time !== null,
      time: plan.time ?? '04:00',
      days: String(plan.days),
      weeks: String(plan.weeks),
      months: String(plan.months),
    },
  });
  const [set, setting] = useSetBackupPlanMutation();
  const save = form.handleSubmit(async (typed) => {
    const { error } = await set({
      time: typed.daily ? typed.time.trim() : null,
      zone: clock.zone,
      days: Number(typed.days),
      weeks: Number(typed.weeks),
      months: Number(typed.months),
    });
    if (error)
      showFaults(form, fieldFaults(error), {
        time: 'time',
        days: 'days',
        weeks: 'weeks',
        months: 'months',
      });
  });
  return (
    <section>
      <h2>
        Schedule
        <small>
          {next === null
            ? 'only by hand'
            : `the next on ${dayAndTime({ ...clock, zone: plan.zone }, next as EpochMs)} (${plan.zone})`}
        </small>
      </h2>
      <form className="form mt-2" noValidate onSubmit={(e) => void save(e)}>
        <CheckField form={form} name="daily" label="Make a backup every day" />
        {form.watch('daily') && (
          <TextField
            form={form}
            name="time"
            label={`At, on the clock of ${clock.zone}`}
            wide={false}
          />
        )}
        <fieldset className="min-w-0">
          <legend>Of how many days, weeks and months the newest backup is kept</legend>
          <div className="grid grid-cols-3 gap-3 mt-1">
            <TextField form={form} name="days" label="Days" />
            <TextField form={form} name="weeks" label="Weeks" />
            <TextField form={form} name="months" label="Months" />
          </div>
        </fieldset>
        <NotSaved error={setting.error} />
        <div className="flex gap-2">
          <button type="submit" className="btn" disabled={setting.isLoading}>
            Save the schedule
          </button>
        </div>
      </form>
    </section>
  );
}
