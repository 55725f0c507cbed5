/** Words of the frame around all places. */
export const appWords = {
  rail: {
    label: 'Le saxophone, la note la plus grave en bas. Une note ouvre son son filé au pupitre.',
    note: '{{note}}, {{zone}}',
    measured: 'mesurée récemment',
    steady: 'mesurée récemment, stable',
    unmeasured: 'pas mesurée récemment',
    seam: 'un raccord inégal avec la note au-dessus',
  },
  app: {
    name: 'Inner Hum',
    loading: 'Un instant …',
    places: {
      today: 'Aujourd’hui',
      stand: 'Pupitre',
      exercises: 'Exercices',
      horn: 'Sax',
      overtones: 'Harmoniques',
      log: 'Journal',
      setUp: 'Réglages',
    },
    skip: 'Aller à la page',
    nav: 'Lieux',
    demo: 'Données d’exemple : inventées, jouées par le joueur d’essai.',
    demoComes: 'La saison de démonstration arrive …',
    removeDemo: 'Retirer les données d’exemple',
    shortcuts: 'Touches',
    close: 'Fermer',
    notFound: 'Cette page n’existe pas.',
    toStand: 'Aller au pupitre',
    crashed:
      'Quelque chose s’est cassé dans la page. Ce qui était enregistré est en sûreté. Recharge la page pour continuer.',
    placeBroken: 'Ce lieu n’a pas pu s’afficher. Les autres fonctionnent, et ce qui était enregistré est en sûreté.',
    again: 'Réessayer',
    mending: 'Quelques chiffres de tes prises étaient abîmés. Ils sont recalculés …',
    settingsAside_one:
      'Un réglage était illisible et a repris sa valeur de départ : {{parts}}. Ce qui était enregistré est mis de côté.',
    settingsAside_other:
      '{{count}} réglages étaient illisibles et ont repris leur valeur de départ : {{parts}}. Ce qui était enregistré est mis de côté.',
    settingsNotStored:
      'Ton dernier changement n’a pas pu être enregistré : {{detail}}. Il vaut jusqu’à la fermeture de cette page.',
    memoryOnly:
      'Le navigateur ne donne pas de mémoire à cette page ({{detail}}). Ce que tu joues n’est gardé que jusqu’à sa fermeture : fais d’abord une sauvegarde dans le Journal.',
    storageCame: 'La mémoire du navigateur répond maintenant. Recharge : ce que tu as joué ici vient avec.',
    notBrought:
      'Ce qui a été joué ici n’a pas pu être emporté : {{detail}}. C’est encore ici : fais une sauvegarde dans le Journal.',
    wentWrong: 'Quelque chose n’a pas marché : {{detail}}. Ce qui était enregistré est en sûreté.',
    notOpened: 'Tout n’a pas pu s’ouvrir : {{detail}}.',
    notRecovered: 'La recherche des prises coupées a échoué : {{detail}}. Rien n’en a été retiré.',
    demoFailed: 'Les données d’exemple n’ont pas pu être lues : {{detail}}.',
    notDeleted: 'Cela n’a pas pu être supprimé : {{detail}}. C’est encore là.',
    notCopied: 'Le navigateur ne laisse pas cette page utiliser le presse-papiers. Le lien est : {{link}}',
    microphoneOpen: 'Micro ouvert',
    undoFailed: 'Cela n’a pas pu être annulé : {{detail}}. Réessaie.',
    updateReady: 'Une nouvelle version d’Inner Hum est prête.',
    updateNow: 'L’utiliser maintenant',
    reload: 'Recharger',
  },
  drafts: {
    recovering: 'Une prise coupée est en cours d’analyse : {{percent}} %.',
    stopped:
      'Ta prise du {{when}} ({{seconds}} s) n’a pas été analysée jusqu’au bout. Elle n’est pas encore parmi tes prises.',
    failed:
      'Ta prise du {{when}} ({{seconds}} s) n’a pas pu être gardée : {{detail}}. Elle n’est pas encore parmi tes prises.',
    noRoom:
      'Il n’y a plus de place dans la mémoire du navigateur pour ta prise du {{when}} ({{seconds}} s). Enregistre son contenu sonore dans un fichier, ou fais de la place (supprime des prises ou des sons dans le Journal), puis garde-la.',
    unknownTime: 'une date inconnue',
    judge: 'L’analyser et la garder',
    keepSound: 'Garder le son tel quel',
    saveSound: 'Enregistrer le son dans un fichier',
    remove: 'La retirer',
    failedAgain: 'Cela n’a pas marché : {{detail}}. L’ébauche est encore là.',
  },
  problems: {
    refused: {
      title: 'Le navigateur n’autorise pas cette page à utiliser le micro.',
      help: 'Autorise-le dans la barre d’adresse, puis réessaie. Tu peux aussi continuer avec un fichier son ou le joueur d’essai.',
    },
    missing: {
      title: 'Aucun micro trouvé.',
      help: 'Branches-en un, puis réessaie. Tu peux aussi continuer avec un fichier son ou le joueur d’essai.',
    },
    busy: {
      title: 'Le micro ne s’ouvre pas. Un autre programme l’utilise peut-être.',
      help: 'Ferme l’autre programme, puis réessaie, ou choisis un autre micro dans les Réglages.',
    },
    unplugged: {
      title: 'Le micro a disparu.',
      help: 'Ce qui était joué d’une prise jusque-là est gardé, s’il y avait une seconde ou plus. Rebranche-le et continue.',
    },
    suspended: {
      title: 'Le navigateur a mis le son en pause.',
      help: 'Ce qui était joué d’une prise jusque-là est gardé, s’il y avait une seconde ou plus. Appuie sur Réessayer.',
    },
    noFile: {
      title: 'Aucun fichier son n’est choisi.',
      help: 'Choisis-en un dans les Réglages, ou prends le micro.',
    },
    badFile: {
      title: 'Ce fichier ne se lit pas comme un son.',
      help: 'WAV, FLAC, MP3 et OGG vont en général. Choisis-en un autre dans les Réglages.',
    },
    failed: {
      title: 'Le son n’a pas pu démarrer.',
      help: 'Rien n’a été enregistré. Réessaie ; si cela persiste, recharge la page.',
    },
    earDeadAtOnce: {
      title: 'La partie qui écoute s’est arrêtée.',
      help: 'Rien de cette prise n’est gardé : elle venait de commencer. Réessaie : elle a été relancée.',
    },
    earDead: {
      title: 'La partie qui écoute s’est arrêtée.',
      help: 'Ce qui était déjà mis de côté de la prise est gardé, pas sa dernière seconde. Réessaie : elle a été relancée.',
    },
    gaveWay: {
      title: 'Un autre enregistrement a commencé.',
      help: 'L’écoute d’ici est terminée. Réessaie quand l’autre sera fini.',
    },
    insecure: {
      title: 'Le navigateur ne donne le micro qu’aux pages venues par https.',
      help: 'Ouvre Inner Hum par https, ou sur cet appareil même. Tout le reste marche : le joueur d’essai, les fichiers son, tes prises.',
    },
    retry: 'Réessayer',
    useStandIn: 'Prendre le joueur d’essai',
    toSetUp: 'Ouvrir les Réglages',
    dismiss: 'Masquer',
  },
  shortcuts: {
    find: 'Chercher une action',
    guide: 'Mots et dessins',
    title: 'Touches',
    rows: {
      start: 'Commencer ou arrêter une prise ; dans Aujourd’hui, commencer la séance',
      pause: 'Arrêter la prise ou le bloc',
      again: 'Rejouer la même chose',
      next: 'Prendre l’étape proposée',
      leave: 'Laisser pour aujourd’hui ; un bloc continue',
      home: 'Test du grave, et retour',
      full: 'Plein écran ou non',
      hide: 'Cacher ou montrer l’accordeur',
      click: 'Clic ou non',
      reference: 'Entendre la note',
      free: 'Jeu libre ou exercice',
      tempo: 'Tempo plus lent ou plus rapide de 2',
      note: 'Note un demi-ton plus bas ou plus haut',
      evened: 'Après une prise : entendre ton son égalisé',
      switch: 'Dans une prise : entendre l’un ou l’autre',
      help: 'Cette liste',
    },
    pedal: 'Les pédales tourne-page envoient Page précédente et Page suivante.',
  },
} as const;
