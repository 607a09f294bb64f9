import { type Settings, settingsChanged } from '../../platform/settings';
import { useAppDispatch, useAppSelector } from '../../platform/store';

// What belongs to a device and to nobody: how loud a pull is said, and how bright the room is.

const LOUDNESS = ['Quiet', 'Soft', 'Usual', 'Loud'] as const;
const ROOMS = [
  ['light', 'Light room'],
  ['dim', 'Dim room'],
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
    <div className="flex flex-wrap gap-2">
      {LOUDNESS.map((word, i) => (
        <button
          type="button"
          key={word}
          className="btn slim"
          aria-pressed={settings.sound === i}
          onClick={() => set({ sound: i as Settings['sound'] })}
        >
          {word}
        </button>
      ))}
    </div>
  );
}

export function RoomChoice() {
  const { settings, set } = useDeviceSettings();
  return (
    <div className="flex flex-wrap gap-2">
      {ROOMS.map(([theme, word]) => (
        <button
          type="button"
          key={theme}
          className="btn slim"
          aria-pressed={settings.theme === theme}
          onClick={() => set({ theme })}
        >
          {word}
        </button>
      ))}
    </div>
  );
}
