/** Words of the guide. */
export const guideWords = {
  guide: {
    title: 'Wörter und Zeichnungen',
    why: 'Was die Begriffe hier heißen und wie die Zeichnungen gelesen werden. Alles liegt auf diesem Gerät.',
    search: 'Ein Wort suchen',
    none: 'Dieses Wort gibt es hier nicht.',
    read: 'Wie man es liest',
    termsTitle: 'Begriffe',
    print: 'Drucken',
    drawings: {
      ribbon: {
        name: 'Das Band',
        first: 'Die Linie ist die Tonhöhe: oben zu hoch, unten zu tief; gestrichelt ist dein Fenster.',
        second: 'Das Band ist die Lautstärke: je dicker, desto lauter. Blass oder gestrichelt ist, was geplant war.',
        third: 'Punkte statt eines vollen Bandes: Luft im Ton. Eine andere Farbe mit Zahl: ein anderer Teilton.',
        fourth:
          'Eine Klammer ist die Stelle, von der der Satz spricht. Schraffiert: Klang, den das Gerät verloren hat.',
      },
      rail: {
        name: 'Die Leiste links',
        first: 'Ein Zeichen für jeden notierten Ton deines Horns, der höchste oben.',
        second: 'Voll: er spricht an und ist gut bekannt. Halb: er misslingt ab und zu. Leer: noch nicht gehört.',
        third: 'Die zweite Reihe sind die Halbtöne dazwischen.',
        fourth: 'Ein kleines rotes Zeichen: ein unebener Übergang zum Ton darüber.',
      },
      map: {
        name: 'Die Karte des Horns',
        first: 'Jede Zeile ist ein Ton, darin drei Balken: leise, mittel, laut.',
        second: 'Rechts ist mehr (höher, langsamer, heller); der senkrechte Strich ist, wo er liegen soll.',
        third: 'Die feine Linie am Balken sagt, wie sicher es ist: kurz ist sicher.',
        fourth: 'Zeig auf einen Ton, um ihn groß zu sehen, drück ihn, um ihn zu öffnen.',
      },
      lattice: {
        name: 'Die Tafel der Obertöne',
        first: 'Jede Spalte ist ein gegriffener tiefer Ton, jede Zeile der Teilton, der darauf geblasen wird.',
        second: 'Die Zahl sagt, wie oft er kam, wenn er versucht wurde.',
        third: 'Was eingerahmt ist, kommt bei dir als Nächstes.',
        fourth: 'Leer: noch nicht versucht.',
      },
    },
    terms: {
      partial: {
        name: 'Teilton',
        what: 'Einer der Töne, die ein Rohr ohne anderen Griff geben kann: 1 ist der Ton selbst, 2 seine Oktave, 3 die Duodezime.',
      },
      overtone: {
        name: 'Oberton',
        what: 'Ein Teilton über dem ersten, mit Absicht geblasen: Ohr und Rachen wählen ihn, nicht die Finger.',
      },
      voicing: {
        name: 'Einstellung des Rachens',
        what: 'Zunge, Rachen und Vokal, für den Ton gestellt, bevor er klingt.',
      },
      swell: { name: 'Schwellton', what: 'Ein Ton, der in einem Atem wächst und schwindet.' },
      ruler: {
        name: 'Maßstab',
        what: 'Wie leise dein pp und wie laut dein ff an diesem Mikrofon sind: daran wird alle Dynamik gelesen.',
      },
      window: { name: 'Fenster', what: 'Wie weit ein Ton von seiner Höhe liegen darf und noch als sauber gilt.' },
      take: {
        name: 'Take',
        what: 'Ein Spielen einer Übung, vom Einzähler bis zum Urteil, auf Wunsch mit dem Klang behalten.',
      },
      steadiness: { name: 'Ruhe', what: 'Wie sehr die Tonhöhe in einem Ton wandert, Vibrato abgezogen.' },
      response: { name: 'Ansprache', what: 'Die Zeit vom ersten Luftgeräusch bis zum Ton.' },
      seam: {
        name: 'Unebener Übergang',
        what: 'Zwei Nachbartöne, die sich in Höhe, Lautstärke oder Farbe mehr unterscheiden, als Nachbarn auf deinem Horn es sonst tun.',
      },
      evenness: { name: 'Ebenmaß', what: 'Wie ähnlich sich Nachbartöne über das ganze Horn sind, von 100.' },
      edge: {
        name: 'Rand',
        what: 'Die Lautstärke, unter der ein Ton abreißt, stehen bleibt oder in die Oktave springt.',
      },
      subtone: {
        name: 'Subtone',
        what: 'Ein leiser, dunkler tiefer Ton mit Luft darin, der Kiefer tief: eine andere Stimme als ein bloß leiser Ton.',
      },
      altissimo: {
        name: 'Altissimo',
        what: 'Töne über der höchsten Klappe, als Obertöne geblasen, mit Griffen, die helfen.',
      },
      theBreak: { name: 'Der Bruch', what: 'Von Cis5 nach D5: von wenigen Fingern zu allen, und in die Oktavklappe.' },
      palm: {
        name: 'Handballentöne',
        what: 'Die höchsten Klappentöne, ab D6, mit den Klappen für Handballen und Seite.',
      },
      vent: {
        name: 'Hilfsklappe',
        what: 'Eine Klappe, die geöffnet wird, damit ein Teilton oder ein hoher Ton anspricht.',
      },
      survey: { name: 'Vermessung', what: 'Jeder Ton einer Lage einmal, um die Karte zu füllen.' },
      homeCheck: { name: 'Heimton', what: 'Ein mittlerer Ton, der sich zu Hause anfühlt: ob der Ansatz noch stimmt.' },
      spine: { name: 'Mittellinie', what: 'Die Linie der Tonhöhe im Band.' },
    },
  },
};
