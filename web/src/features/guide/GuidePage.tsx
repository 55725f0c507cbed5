import { Box, chakra, Flex, Grid } from '@chakra-ui/react';
import { STAGES } from '@inner-hum/core/families';
import { useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useLocation } from 'react-router';
import { Button, Field, TextInput } from '../../ui/controls';
import { PageTitle, SectionTitle } from '../../ui/PageTitle';
import { MapStill, RibbonStill } from './Stills';
import { LatticeStill, RailStill } from './TableStills';

/** The drawings, each with the place where it is. */
const DRAWINGS = { ribbon: '/stand', rail: undefined, map: '/horn', lattice: '/overtones' } as const;
type Drawing = keyof typeof DRAWINGS;
const STILLS = { ribbon: RibbonStill, rail: RailStill, map: MapStill, lattice: LatticeStill } as const;
/** Short cards, to be done without the horn. */
const BREATHING = ['low', 'quick', 'steady', 'rest'] as const;
const LINES = ['first', 'second', 'third', 'fourth'] as const;
const TERMS = [
  ...([
    'partial',
    'overtone',
    'voicing',
    'swell',
    'ruler',
    'window',
    'take',
    'steadiness',
    'response',
    'seam',
  ] as const),
  ...([
    'evenness',
    'edge',
    'subtone',
    'altissimo',
    'theBreak',
    'palm',
    'vent',
    'survey',
    'homeCheck',
    'spine',
  ] as const),
];

/** What the terms mean and how the drawings are read: to look a word up, and to print. */
export default function GuidePage() {
  const { t } = useTranslation();
  const { hash } = useLocation();
  const [wanted, want] = useState('');
  useEffect(() => document.getElementById(hash.slice(1))?.scrollIntoView(), [hash]);
  const fits = (...texts: readonly string[]) =>
    texts.some((text) => text.toLocaleLowerCase().includes(wanted.trim().toLocaleLowerCase()));
  const drawings = (Object.keys(DRAWINGS) as Drawing[]).filter((id) =>
    fits(t(`guide.drawings.${id}.name`), ...LINES.map((line) => t(`guide.drawings.${id}.${line}`))),
  );
  const stages = STAGES.filter((id) => fits(t(`stages.${id}`), t(`guide.stages.${id}`)));
  const cards = BREATHING.filter((id) => fits(t('guide.breathingTitle'), t(`guide.breathing.${id}`)));
  const terms = TERMS.map((id) => ({ id, name: t(`guide.terms.${id}.name`), what: t(`guide.terms.${id}.what`) }))
    .filter(({ name, what }) => fits(name, what))
    .sort((a, b) => a.name.localeCompare(b.name));
  return (
    <Box maxWidth="64rem" pb="40px">
      <PageTitle title={t('guide.title')}>
        <Button onClick={() => window.print()}>{t('guide.print')}</Button>
      </PageTitle>
      <chakra.p color="inkSoft" mt="6px">
        {t('guide.why')}
      </chakra.p>
      <Field label={t('guide.search')} maxWidth="26rem" mt="12px" _print={{ display: 'none' }}>
        <TextInput type="search" value={wanted} onChange={(event) => want(event.target.value)} />
      </Field>
      {drawings.length + stages.length + cards.length + terms.length === 0 && (
        <chakra.p role="status" mt="14px">
          {t('guide.none')}
        </chakra.p>
      )}
      {drawings.map((id) => (
        <HowToRead key={id} id={id} />
      ))}
      {stages.length > 0 && (
        <chakra.section mt="28px">
          <SectionTitle>{t('guide.stagesTitle')}</SectionTitle>
          {stages.map((id) => (
            <chakra.p key={id} id={`stage-${id}`} mt="8px" css={{ breakInside: 'avoid' }}>
              <strong>{t(`stages.${id}`)}.</strong> {t(`guide.stages.${id}`)}
            </chakra.p>
          ))}
        </chakra.section>
      )}
      {cards.length > 0 && (
        <chakra.section mt="28px" id="breathing">
          <SectionTitle>{t('guide.breathingTitle')}</SectionTitle>
          <Grid templateColumns={{ base: '1fr', md: 'repeat(2, minmax(0, 1fr))' }} gap="12px">
            {cards.map((id) => (
              <Box key={id} borderWidth="1.5px" borderColor="line" borderRadius="card" p="12px 16px">
                {t(`guide.breathing.${id}`)}
              </Box>
            ))}
          </Grid>
        </chakra.section>
      )}
      {terms.length > 0 && (
        <chakra.section mt="28px" id="terms">
          <SectionTitle>{t('guide.termsTitle')}</SectionTitle>
          <Grid as="dl" templateColumns={{ base: '1fr', md: '13rem minmax(0, 1fr)' }} columnGap="22px" rowGap="2px">
            {terms.map(({ id, name, what }) => [
              <chakra.dt key={id} id={id} fontWeight={600} pt="8px">
                {name}
              </chakra.dt>,
              <chakra.dd key={`${id} what`} pt={{ base: 0, md: '8px' }}>
                {what}
              </chakra.dd>,
            ])}
          </Grid>
        </chakra.section>
      )}
    </Box>
  );
}

function HowToRead({ id }: { readonly id: Drawing }) {
  const { t } = useTranslation();
  const place = DRAWINGS[id];
  const Still = STILLS[id];
  return (
    <chakra.section mt="26px" id={id} css={{ breakInside: 'avoid' }}>
      <Flex gap="16px" align="baseline" wrap="wrap">
        <SectionTitle>{t(`guide.drawings.${id}.name`)}</SectionTitle>
        {place && (
          <Box _print={{ display: 'none' }}>
            <Link to={place}>
              {t(`app.places.${place === '/stand' ? 'stand' : place === '/horn' ? 'horn' : 'overtones'}`)}
            </Link>
          </Box>
        )}
      </Flex>
      <Still />
      <chakra.ol pl="1.4em" listStyleType="decimal" mt="6px">
        {LINES.map((line) => (
          <chakra.li key={line} py="2px">
            {t(`guide.drawings.${id}.${line}`)}
          </chakra.li>
        ))}
      </chakra.ol>
    </chakra.section>
  );
}
