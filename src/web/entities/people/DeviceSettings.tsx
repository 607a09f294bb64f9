import { type Settings, settingsChanged } from '../../platform/settings';
import { useAppDispatch, useAppSelector } from '../../platform/store';
import { OneOf } from '../../ui/OneOf';

// What belongs to a device and to nobody: how loud a pull is said, and how bright the room is.

/** By how loud they are: the settings keep the place in this list. */
const LOUDNESS = ['Quiet', 'Soft', 'Usual', 'Loud'] as const;
const ROOMS = [
  { value: 'light', words: 'Light room' },
  { value: 'dim', words: 'Dim room' },
] as const;

/** The settings of this device, and what changes some of them. */
export function useDeviceSettings() {
  const dispatch = useAppDispatch();
  const settings = useAppSelector((s) => s.settings);
  return {
    settings,
    set: (over: Partial<Settings>) => {
      dispatch(settingsChanged(over));
    },
  };
}

export function SoundChoice() {
  const { settings, set } = useDeviceSettings();
  return (
    <OneOf
      label="Sound at the pull"
      options={LOUDNESS.map((words) => ({ value: words, words }))}
      chosen={LOUDNESS[settings.sound]}
      onChoose={(words) => set({ sound: LOUDNESS.indexOf(words) as Settings['sound'] })}
    />
  );
}

export function RoomChoice() {
  const { settings, set } = useDeviceSettings();
  return (
    <OneOf
      label="Room"
      options={ROOMS}
      chosen={settings.theme}
      onChoose={(theme) => set({ theme })}
    />
  );
}
