/** Made by `npm run zones`. A line: degrees of latitude, then the time zones whose chief place lies there. @source IANA time zone database 2025b, zone.tab; public domain */
export const ZONES = `
78 Arctic/Longyearbyen
77 America/Danmarkshavn America/Thule
75 America/Resolute
70 America/Scoresbysund
69 America/Cambridge_Bay
68 America/Inuvik
67 Asia/Srednekolymsk
65 America/Nome Asia/Anadyr Asia/Ust-Nera
64 America/Dawson America/Godthab America/Iqaluit America/Nuuk America/Pangnirtung Atlantic/Reykjavik
63 America/Rankin_Inlet Asia/Khandyga
62 Asia/Yakutsk Atlantic/Faeroe Atlantic/Faroe
61 America/Anchorage America/Whitehorse Canada/Yukon
60 America/Yakutat Asia/Magadan Europe/Helsinki Europe/Mariehamn Europe/Oslo
59 America/Fort_Nelson Europe/Kirov Europe/Stockholm Europe/Tallinn
58 America/Juneau
57 America/Sitka Asia/Tomsk Asia/Yekaterinburg Europe/Riga
56 America/Dawson_Creek Asia/Krasnoyarsk Europe/Copenhagen Europe/Moscow
55 America/Metlakatla Asia/Novosibirsk Asia/Omsk Europe/Kaliningrad Europe/Vilnius
54 America/Edmonton America/Yellowknife Asia/Novokuznetsk Canada/Mountain Europe/Isle_of_Man Europe/Minsk Europe/Ulyanovsk
53 America/Goose_Bay Asia/Barnaul Asia/Kamchatka Asia/Qostanay Atlantic/Jan_Mayen Europe/Berlin Europe/Dublin Europe/Samara
52 America/Adak America/Atka Asia/Chita Asia/Irkutsk Europe/Amsterdam Europe/Belfast Europe/London Europe/Saratov Europe/Warsaw
51 America/Blanc-Sablon Asia/Oral Europe/Brussels
50 America/Rainy_River America/Regina America/Swift_Current America/Winnipeg Asia/Aqtobe Canada/Central Canada/Saskatchewan Europe/Kiev Europe/Kyiv Europe/Luxembourg Europe/Prague Europe/Uzhgorod Europe/Zaporozhye
49 America/Atikokan America/Creston America/Vancouver Canada/Pacific Europe/Guernsey Europe/Jersey Europe/Paris Europe/Volgograd
48 America/St_Johns Asia/Choibalsan Asia/Hovd Asia/Ulaanbaatar Asia/Ulan_Bator Canada/Newfoundland Europe/Bratislava Europe/Budapest Europe/Busingen Europe/Vienna
47 America/Miquelon America/North_Dakota/Beulah America/North_Dakota/Center America/North_Dakota/New_Salem Asia/Atyrau Asia/Sakhalin Europe/Chisinau Europe/Tiraspol Europe/Vaduz Europe/Zurich
46 America/Glace_Bay America/Moncton Europe/Astrakhan Europe/Ljubljana Europe/Zagreb
45 America/Halifax America/Menominee Asia/Aqtau Asia/Qyzylorda Canada/Atlantic Europe/Belgrade Europe/Simferopol
44 America/Boise America/Montreal America/Nipigon America/Thunder_Bay America/Toronto Asia/Kashgar Asia/Urumqi Canada/Eastern Europe/Bucharest Europe/Monaco Europe/San_Marino Europe/Sarajevo
43 Asia/Almaty Asia/Bishkek Asia/Vladivostok Europe/Andorra Europe/Sofia
42 America/Chicago America/Detroit Asia/Tbilisi Europe/Podgorica Europe/Rome Europe/Skopje Europe/Vatican
41 America/Indiana/Knox America/Indiana/Winamac America/Knox_IN America/New_York Asia/Istanbul Asia/Tashkent Europe/Istanbul Europe/Tirane
40 America/Denver America/Fort_Wayne America/Indiana/Indianapolis America/Indianapolis America/Shiprock Asia/Baku Asia/Samarkand Asia/Yerevan Europe/Madrid
39 America/Indiana/Vevay America/Indiana/Vincennes Asia/Dushanbe Asia/Pyongyang Europe/Lisbon
38 America/Indiana/Marengo America/Indiana/Petersburg America/Indiana/Tell_City America/Kentucky/Louisville America/Louisville Asia/Ashgabat Asia/Ashkhabad Asia/Seoul Atlantic/Azores Europe/Athens
37 Africa/Algiers Africa/Tunis America/Kentucky/Monticello
36 Africa/Ceuta Asia/Tehran Asia/Tokyo Europe/Gibraltar Europe/Malta
35 Asia/Famagusta Asia/Kabul Asia/Nicosia Europe/Nicosia
34 Africa/Casablanca America/Los_Angeles Asia/Beirut Asia/Damascus
33 Africa/Tripoli America/Ensenada America/Phoenix America/Santa_Isabel America/Tijuana Asia/Baghdad Atlantic/Madeira Mexico/BajaNorte
32 America/Ciudad_Juarez Asia/Amman Asia/Gaza Asia/Hebron Asia/Jerusalem Asia/Tel_Aviv Atlantic/Bermuda
31 Asia/Chongqing Asia/Chungking Asia/Harbin Asia/Shanghai
30 Africa/Cairo America/Ojinaga
29 America/Chihuahua America/Hermosillo Asia/Kuwait
28 Asia/Kathmandu Asia/Katmandu Atlantic/Canary Pacific/Midway
27 Africa/El_Aaiun Asia/Thimbu Asia/Thimphu
26 America/Matamoros America/Monterrey Asia/Bahrain
25 America/Nassau Asia/Dubai Asia/Karachi Asia/Qatar Asia/Riyadh Asia/Taipei
24 Asia/Dacca Asia/Dhaka Asia/Muscat
23 America/Havana America/Mazatlan Asia/Calcutta Asia/Kolkata Mexico/BajaSur
22 Asia/Hong_Kong Asia/Macao Asia/Macau
21 America/Bahia_Banderas America/Cancun America/Grand_Turk America/Merida Pacific/Honolulu Pacific/Johnston
19 America/Cayman America/Mexico_City America/Port-au-Prince Mexico/General Pacific/Wake
18 Africa/Nouakchott America/Anguilla America/Belize America/Jamaica America/Lower_Princes America/Marigot America/Puerto_Rico America/Santo_Domingo America/St_Barthelemy America/St_Thomas America/Tortola America/Virgin Asia/Vientiane
17 America/Antigua America/Montserrat America/St_Kitts Asia/Rangoon Asia/Yangon
16 Africa/Khartoum America/Guadeloupe
15 Africa/Asmara Africa/Dakar America/Dominica America/Guatemala America/Martinique Asia/Manila Atlantic/Cape_Verde Pacific/Saipan
14 Africa/Niamey America/El_Salvador America/St_Lucia America/Tegucigalpa Asia/Bangkok
13 Africa/Bamako Africa/Banjul America/Aruba America/Barbados America/St_Vincent Asia/Aden Pacific/Guam
12 Africa/Bissau Africa/Djibouti Africa/Ndjamena Africa/Ouagadougou America/Curacao America/Grenada America/Kralendijk America/Managua Asia/Phnom_Penh
11 America/Caracas America/Port_of_Spain Asia/Ho_Chi_Minh Asia/Saigon
10 Africa/Conakry America/Costa_Rica
9 Africa/Addis_Ababa Africa/Freetown America/Coral_Harbour America/Panama Pacific/Kwajalein
7 America/Guyana Asia/Colombo Pacific/Chuuk Pacific/Majuro Pacific/Palau Pacific/Pohnpei
6 Africa/Accra Africa/Lagos Africa/Lome Africa/Monrovia Africa/Porto-Novo America/Paramaribo
5 Africa/Abidjan Africa/Juba Africa/Timbuktu America/Bogota America/Cayenne Asia/Brunei Pacific/Kosrae
4 Africa/Bangui Africa/Douala Africa/Malabo Indian/Maldives
3 America/Boa_Vista Asia/Kuala_Lumpur
2 Africa/Mogadishu Asia/Kuching Pacific/Kiritimati
1 Asia/Singapore Pacific/Tarawa
0 Africa/Kampala Africa/Libreville Africa/Sao_Tome Asia/Pontianak
-1 Africa/Asmera Africa/Nairobi America/Belem Pacific/Galapagos Pacific/Nauru
-2 Africa/Kigali America/Guayaquil America/Santarem
-3 Africa/Bujumbura America/Manaus Asia/Jayapura Brazil/West Pacific/Enderbury Pacific/Kanton
-4 Africa/Brazzaville Africa/Kinshasa America/Fortaleza America/Noronha Brazil/DeNoronha
-5 Asia/Makassar Asia/Ujung_Pandang Indian/Mahe
-6 Asia/Jakarta Pacific/Bougainville
-7 Africa/Dar_es_Salaam America/Araguaina America/Eirunepe Indian/Chagos
-8 America/Recife
-9 Africa/Luanda America/Porto_Velho Asia/Dili Pacific/Fakaofo Pacific/Funafuti Pacific/Marquesas
-10 America/Maceio America/Porto_Acre America/Rio_Branco Brazil/Acre Indian/Christmas Pacific/Guadalcanal Pacific/Ponape Pacific/Port_Moresby Pacific/Truk Pacific/Yap
-12 Africa/Lubumbashi America/Lima Australia/Darwin Australia/North Indian/Cocos Indian/Comoro
-13 America/Bahia Indian/Mayotte Pacific/Wallis
-14 Pacific/Apia Pacific/Pago_Pago Pacific/Samoa
-15 Africa/Lusaka
-16 Africa/Blantyre America/Cuiaba Atlantic/St_Helena
-17 America/La_Paz
-18 Africa/Harare Pacific/Efate Pacific/Fiji Pacific/Tahiti
-19 Indian/Antananarivo Pacific/Niue
-20 America/Campo_Grande Australia/Lindeman Indian/Mauritius
-21 Indian/Reunion Pacific/Rarotonga Pacific/Tongatapu
-22 Pacific/Noumea
-23 Africa/Windhoek Pacific/Gambier
-24 America/Argentina/Jujuy America/Jujuy America/Sao_Paulo Brazil/East
-25 Africa/Gaborone America/Argentina/Salta America/Asuncion Pacific/Pitcairn
-26 Africa/Johannesburg Africa/Maputo Africa/Mbabane
-27 America/Argentina/Tucuman Australia/Brisbane Australia/Queensland Chile/EasterIsland Pacific/Easter
-28 America/Argentina/Catamarca America/Argentina/ComodRivadavia America/Catamarca
-29 Africa/Maseru America/Argentina/La_Rioja Pacific/Norfolk
-31 America/Argentina/Cordoba America/Cordoba America/Rosario
-32 America/Argentina/San_Juan Australia/Broken_Hill Australia/Eucla Australia/LHI Australia/Lord_Howe Australia/Perth Australia/West Australia/Yancowinna
-33 America/Argentina/Mendoza America/Argentina/San_Luis America/Mendoza America/Santiago Chile/Continental
-34 Australia/ACT Australia/Canberra Australia/NSW Australia/Sydney
-35 America/Argentina/Buenos_Aires America/Buenos_Aires America/Montevideo Australia/Adelaide Australia/South
-37 Antarctica/South_Pole Pacific/Auckland
-38 Australia/Melbourne Australia/Victoria
-43 Australia/Currie Australia/Hobart Australia/Tasmania
-44 Pacific/Chatham
-46 America/Coyhaique
-49 Indian/Kerguelen
-52 America/Argentina/Rio_Gallegos Atlantic/Stanley
-53 America/Punta_Arenas
-54 Atlantic/South_Georgia
-55 America/Argentina/Ushuaia Antarctica/Macquarie
-65 Antarctica/Palmer
-66 Antarctica/Casey
-67 Antarctica/DumontDUrville
-68 Antarctica/Mawson Antarctica/Rothera
-69 Antarctica/Davis Antarctica/Syowa
-72 Antarctica/Troll
-78 Antarctica/McMurdo Antarctica/Vostok
`;
