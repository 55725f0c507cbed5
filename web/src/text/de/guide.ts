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
        second:
          'Voll: unlängst gemessen, rein und ruhig. Halb: unlängst gemessen, das aber noch nicht. Leer: lange nicht gemessen.',
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
        first: 'Jede Zeile ist ein gegriffener tiefer Ton, jede Spalte ein Teilton, der darauf geblasen wird.',
        second:
          'Der Balken sagt, wie oft er anspricht: gefüllt nach deinen eigenen Versuchen, als Umriss, wo es nur das Übliche ist.',
        third: 'Die kleine Zahl sagt, wie weit er von der temperierten Höhe liegt, in Cent.',
        fourth: 'Was eingerahmt ist, kommt bei dir als Nächstes.',
      },
    },
    meaning: 'Was das heißt',
    stagesTitle: 'Die Abschnitte einer Übung',
    stageLink: 'Wozu dieser Abschnitt da ist',
    stages: {
      lowEnd:
        'Die tiefsten Töne werden zuerst geweckt, solange Lippe und Ohren frisch sind: Sie zeigen gleich, ob Blatt, Luft und Polster mitmachen. Lass die Luft vor dem Ton laufen und nach ihm weiter; der Kiefer bleibt tief und ruhig. Kommt ein Ton nach ein paar Versuchen nicht, nimm den darüber und binde hinunter.',
      longTones:
        'Ein Ton für sich, um zu hören, was er tut: wo er liegt, ob er wandert, wie er beginnt und endet. Setz an, atme tief, und lass die Luft vor dem Ton fließen; das Ende gehört dazu. Ein Ton, der am Ende zittert, war zu lang: kürzer und ganz ist besser.',
      swells:
        'Die Lautstärke bewegt sich, alles andere bleibt: Höhe und Farbe sind bei p wie bei f. Wachse mit mehr Luft und nicht mit lockerer Lippe; nimm ab mit weniger Luft und nicht mit festerer. Geht die Höhe mit der Lautstärke, mach den Schwelltönen kleinere Wege, bis sie es nicht mehr tut.',
      descents:
        'In einem Atem das Horn hinunter, damit die tiefen Töne die Luft der hohen bekommen. Die Finger bewegen sich; die Luft merkt nichts davon. Bricht ein Ton, halt dort an, nimm den letzten, der hielt, und binde noch einmal hinunter.',
      lowRegister:
        'Leise, tief, über den Bruch, als Subtone: wo das Horn zuerst nachgibt. Leise ist langsame Luft mit Stütze, nie keine Luft; behalte den Mundraum des Tons, der gut klingt. Will ein Ton springen, gib etwas mehr Luft, nicht mehr Lippe.',
      overtones:
        'Ein tiefer Griff, ein hoher Ton: Ohr und Hals wählen, die Finger bleiben. Höre oder singe den Ton, bevor du ihn bläst, dann lass ihn kommen. Die Lippe ruht nach jedem Versuch; acht am Stück sind genug, und was wehtut, ist für heute vorbei.',
      altissimo:
        'Es wächst aus Obertönen, die sicher sind, nie aus Drücken. Erst eine Beugung, dann ein Ton mit seinen Griffen: wenige Versuche, lange Pausen. Klingende Ohren, taube Lippe oder ein müder Mundwinkel: lass es für heute.',
      wholeHorn:
        'Was gebaut wurde, geht in Linien: Intervalle, Tonleitern, eine Melodie. Hör auf einen Klang vom tiefsten Ton bis zum höchsten, als sänge sie eine Stimme. Schließ mit etwas, das du gern hörst.',
    },
    breathingTitle: 'Atmen ohne Horn',
    breathing: {
      low: 'Sitz oder steh aufrecht, eine Hand auf dem Bauch. Zwei Schläge ein: die Hand geht vor, die Schultern bleiben. Acht Schläge aus auf „ff“. Viermal.',
      quick:
        'Auf einmal ein durch die Mundwinkel, wie vor einer Phrase; dann zehn Schläge langsam aus. Schnell und tief, nie hoch und laut.',
      steady:
        'Blas ein Blatt Papier eine Armlänge entfernt an und halte es sechs Sekunden gleich schräg; dann leiser, und näher.',
      rest: 'Danach atme eine halbe Minute wie sonst. Wem schwindlig wird, der hört auf und setzt sich.',
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
      homeCheck: {
        name: 'Heimton',
        what: 'Alle Finger hinunter, ein tiefer Ton mitten in etwas anderem: spricht er so sauber an wie immer?',
      },
      spine: { name: 'Mittellinie', what: 'Die Linie der Tonhöhe im Band.' },
    },
  },
};
