/** Words of the guide. */
export const guideWords = {
  guide: {
    title: 'Mots et dessins',
    why: 'Ce que les termes veulent dire ici, et comment se lisent les dessins. Tout est sur cet appareil.',
    search: 'Chercher un mot',
    none: 'Ce mot n’est pas ici.',
    read: 'Comment le lire',
    termsTitle: 'Termes',
    print: 'Imprimer',
    drawings: {
      ribbon: {
        name: 'Le ruban',
        first: 'La ligne est la hauteur : en haut trop haut, en bas trop bas ; les tirets sont ta fenêtre.',
        second:
          'La bande est la nuance : plus elle est épaisse, plus c’est fort. Pâle ou en tirets : ce qui était prévu.',
        third:
          'Des points au lieu d’une bande pleine : du souffle dans le son. Une autre couleur avec un chiffre : un autre partiel.',
        fourth: 'Un crochet est l’endroit dont parle la phrase. Hachuré : du son que l’appareil a perdu.',
      },
      rail: {
        name: 'La barre de gauche',
        first: 'Une marque pour chaque note écrite de ton instrument, la plus haute en haut.',
        second:
          'Plein : mesuré récemment, juste et stable. À moitié : mesuré récemment, mais pas encore cela. Vide : pas mesuré récemment.',
        third: 'La deuxième rangée : les demi-tons entre elles.',
        fourth: 'Un petit signe rouge : un passage inégal vers la note du dessus.',
      },
      map: {
        name: 'La carte de l’instrument',
        first: 'Chaque ligne est une note, avec trois barres : doux, moyen, fort.',
        second: 'À droite, c’est plus (plus haut, plus lent, plus clair) ; le trait vertical est l’endroit voulu.',
        third: 'Le trait fin sur une barre dit la certitude : court, c’est sûr.',
        fourth: 'Montre une note pour la voir en grand, appuie pour l’ouvrir.',
      },
      lattice: {
        name: 'Le tableau des harmoniques',
        first: 'Chaque ligne est une note grave doigtée, chaque colonne un partiel soufflé dessus.',
        second:
          'La barre dit combien de fois il sort : pleine d’après tes essais, en contour là où ce n’est que l’usage.',
        third: 'Le petit nombre dit son écart à la hauteur tempérée, en cents.',
        fourth: 'Ce qui est encadré vient ensuite pour toi.',
      },
    },
    meaning: 'Ce que cela veut dire',
    stagesTitle: 'Les étapes d’une séance',
    stageLink: 'À quoi sert cette étape',
    stages: {
      lowEnd:
        'On réveille d’abord les notes les plus graves, lèvres et oreilles encore fraîches : elles disent tout de suite si l’anche, l’air et les tampons vont. Laisse courir l’air avant le son et après lui ; la mâchoire reste basse et tranquille. Si une note ne vient pas après quelques essais, prends celle du dessus et lie vers le bas.',
      longTones:
        'Un son à la fois, pour entendre ce qu’il fait : où il est, s’il bouge, comment il commence et finit. Place la bouche, respire bas, et laisse l’air partir avant le son ; la fin en fait partie. Un son qui tremble à la fin était trop long : plus court et entier vaut mieux.',
      swells:
        'La nuance bouge, le reste demeure : hauteur et couleur sont les mêmes à p et à f. Grandis par plus d’air et non par une lèvre plus lâche ; diminue par moins d’air et non par une lèvre plus serrée. Si la hauteur suit la nuance, fais un soufflet plus petit jusqu’à ce qu’elle ne suive plus.',
      descents:
        'Descendre en un souffle, pour que les graves aient l’air des aigus. Les doigts bougent ; l’air n’en sait rien. Si une note casse, arrête-toi là, reprends la dernière qui tenait et lie encore une fois.',
      lowRegister:
        'Doux, grave, par-dessus le passage, en subtone : là où l’instrument cède d’abord. Doux, c’est un air lent et soutenu, jamais pas d’air ; garde la bouche de la note qui sonne bien. Quand un son va sauter, donne un peu plus d’air, pas plus de lèvre.',
      overtones:
        'Un doigté grave, une note aiguë : l’oreille et la gorge choisissent, les doigts restent. Entends ou chante la note avant de la souffler, puis laisse-la venir. La lèvre se repose après chaque essai ; huit de suite suffisent, et ce qui fait mal est fini pour aujourd’hui.',
      altissimo:
        'Il naît d’harmoniques sûrs, jamais de la pression. D’abord une inflexion, puis une note et ses doigtés : peu d’essais, de longs repos. Oreilles qui sifflent, lèvre engourdie ou coin de bouche fatigué : laisse-le pour aujourd’hui.',
      wholeHorn:
        'Ce qui a été bâti passe dans des lignes : intervalles, gammes, un air. Écoute un même son de la note la plus grave à la plus aiguë, comme si une voix les chantait toutes. Finis par quelque chose que tu aimes entendre.',
    },
    breathingTitle: 'Respirer sans le saxophone',
    breathing: {
      low: 'Assis ou debout bien droit, une main sur le ventre. Inspire deux temps : la main avance, les épaules restent. Souffle « ff » huit temps. Quatre fois.',
      quick:
        'Inspire d’un coup par les commissures, comme avant une phrase ; puis souffle lentement dix temps. Vite et bas, jamais haut et bruyant.',
      steady:
        'Souffle sur une feuille à un bras de distance et garde-la inclinée pareil six secondes ; puis plus doux, et plus près.',
      rest: 'Ensuite respire comme d’habitude une demi-minute. Qui a la tête qui tourne s’arrête et s’assied.',
    },
    terms: {
      partial: {
        name: 'Partiel',
        what: 'Un des sons qu’un tube peut donner sans autre doigté : 1 est la note même, 2 son octave, 3 la douzième.',
      },
      overtone: {
        name: 'Harmonique',
        what: 'Un partiel au-dessus du premier, soufflé exprès : l’oreille et la gorge le choisissent, pas les doigts.',
      },
      voicing: { name: 'Placement', what: 'Langue, gorge et voyelle, prêtes pour la note avant qu’elle sonne.' },
      swell: { name: 'Son enflé', what: 'Une note qui grandit et s’efface d’un seul souffle.' },
      ruler: {
        name: 'Échelle',
        what: 'La douceur de ton pp et la force de ton ff à ce micro : toutes les nuances s’y lisent.',
      },
      window: {
        name: 'Fenêtre',
        what: 'De combien un son peut s’écarter de sa hauteur et compter encore comme juste.',
      },
      take: { name: 'Prise', what: 'Un exercice joué une fois, du décompte au verdict, gardé avec son si tu veux.' },
      steadiness: { name: 'Stabilité', what: 'Combien la hauteur bouge dans un son, vibrato retiré.' },
      response: { name: 'Réponse', what: 'Le temps du premier bruit de souffle jusqu’au son.' },
      seam: {
        name: 'Passage inégal',
        what: 'Deux notes voisines qui diffèrent plus en hauteur, nuance ou timbre que les voisines de ton instrument d’habitude.',
      },
      evenness: { name: 'Égalité', what: 'Combien les notes voisines se ressemblent sur tout l’instrument, sur 100.' },
      edge: { name: 'Limite', what: 'Le niveau sous lequel une note rompt, s’arrête ou saute à l’octave.' },
      subtone: {
        name: 'Subtone',
        what: 'Un son grave doux et sombre, avec de l’air, mâchoire basse : une autre voix qu’un simple son doux.',
      },
      altissimo: {
        name: 'Suraigu',
        what: 'Les notes au-dessus de la plus haute clé, faites comme harmoniques, avec des doigtés qui aident.',
      },
      theBreak: { name: 'Le passage', what: 'De do♯5 à ré5 : de peu de doigts à tous, et dans la clé d’octave.' },
      palm: {
        name: 'Notes de paume',
        what: 'Les plus hautes notes à clés, à partir de ré6, avec les clés de paume et de côté.',
      },
      vent: { name: 'Clé d’aide', what: 'Une clé ouverte pour qu’un partiel ou une note aiguë parle.' },
      survey: { name: 'Relevé', what: 'Chaque note d’une zone une fois, pour remplir la carte.' },
      homeCheck: {
        name: 'Note repère',
        what: 'Tous les doigts baissés, une note grave au milieu d’autre chose : parle-t-elle aussi nettement que d’habitude ?',
      },
      spine: { name: 'Ligne centrale', what: 'La ligne de la hauteur dans le ruban.' },
    },
  },
};
