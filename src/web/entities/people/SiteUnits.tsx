import type { UseFormReturn } from 'react-hook-form';
import { SelectField } from '../../ui/fields';
import type { SiteForm } from './siteForm';

/** What the people of a site read: volumes, heat, dates and times. */
export function SiteUnits({ form }: { form: UseFormReturn<SiteForm> }) {
  return (
    <>
      <div className="pair">
        <SelectField
          form={form}
          name="volumeUnit"
          label="Volumes in"
          options={[
            ['ml', 'millilitres'],
            ['usFlOz', 'US fluid ounces'],
            ['imperialFlOz', 'UK fluid ounces'],
          ]}
        />
        <SelectField
          form={form}
          name="temperatureUnit"
          label="Heat in"
          options={[
            ['C', '°C'],
            ['F', '°F'],
          ]}
        />
      </div>
      <div className="pair">
        <SelectField
          form={form}
          name="dates"
          label="Dates"
          options={[
            ['dayMonth', '3 Nov'],
            ['monthDay', 'Nov 3'],
          ]}
        />
        <SelectField
          form={form}
          name="clockHours"
          label="Times"
          options={[
            ['24', '14:05'],
            ['12', '2:05 pm'],
          ]}
        />
        <SelectField
          form={form}
          name="weekBegins"
          label="Week begins on"
          options={[
            ['monday', 'Monday'],
            ['sunday', 'Sunday'],
            ['saturday', 'Saturday'],
          ]}
        />
      </div>
    </>
  );
}
