import { useTranslation } from 'react-i18next';
import { isInstalled, useInstall } from '../../shared/page/install';
import { Button } from '../../ui/controls';

/** The application on the device itself: asked of the browser, or how the player does it. */
export function InstallPart() {
  const { t } = useTranslation();
  const install = useInstall();
  if (isInstalled()) return <p>{t('setUp.installed')}</p>;
  return (
    <>
      <p>{t(install ? 'setUp.installHelp' : 'setUp.installByMenu')}</p>
      {install && (
        <Button alignSelf="flex-start" onClick={() => void install()}>
          {t('setUp.install')}
        </Button>
      )}
    </>
  );
}
