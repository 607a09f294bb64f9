/**
 * Advice lines as packets print them, written for this project, each with what a reader at the counter takes from it.
 * One row: text | leaf | water | heat C | wait s | steep s; "-" where the packet does not say it. A row may go on
 * after a backslash.
 */
export const CORPUS = `
1 tsp per cup, 80°C, 2-3 minutes | 1 teaspoon | 1 cups | 80 | - | 120-180
Use 1 tablespoon per 8 fl oz. 212 F. Steep 3 to 5 min | 1 tablespoon | 236.59 ml | 100 | - | 180-300
7 g per 550 ml at 92-94 °C for 3 1/2 minutes | 7 g | 550 ml | 92-94 | - | 210
1½ level teaspoons to 250ml, boiling water, 2:30 | 1.5 teaspoon | 250 ml | 100 | - | 150
One heaped teaspoon in a mug of boiling water, 5 mins | 1 heaped teaspoon | 1 cups | 100 | - | 300
2-3 g/160ml, 176°F, 90 sec | 2-3 g | 160 ml | 80 | - | 90
4 level tsp per litre, 85 C, 3 min | 4 teaspoon | 1000 ml | 85 | - | 180
1 1/2 tbsp per 12 oz, 185F, 1-2 minutes | 1.5 tablespoon | 354.88 ml | 85 | - | 60-120
1 bag per 200 ml, 100°, 3 minutes | 1 bag | 200 ml | 100 | - | 180
2,5 g per 2 dl; 70 C; 60 s | 2.5 g | 200 ml | 70 | - | 60
1 tbsp per 8 fl oz, cold water, fridge 10-12 hours | 1 tablespoon | 236.59 ml | - | - | 36000-43200
Boil, let it stand one minute, then steep 1 1/2 minutes | - | - | 100 | 60 | 90
Boil the kettle, wait two minutes, pour over 2 tsp of leaf per mug and leave for 3 minutes \
| 2 teaspoon | 1 cups | 100 | 120 | 180
Use water just under the boil. 3 g per 180 ml. 4 minutes. | 3 g | 180 ml | - | - | 240
Just off the boil | - | - | - | - | -
Brew to taste. | - | - | - | - | -
A fine tea from the north slope, picked in May | - | - | - | - | -
Infuse for up to six minutes in freshly boiled water | - | - | 100 | - | 360
Two scoops for a pot, boiling water, up to 5 minutes | 2 scoop | 1 vessels | 100 | - | 300
One bag per cup. Pour on boiling water and leave for 3 to 4 minutes. | 1 bag | 1 cups | 100 | - | 180-240
A generous pinch per cup, 75 degrees, half a minute | 1 heaped pinch | 1 cups | 75 | - | 30
Three pinches to a small pot, 95 C, a minute and a half | 3 pinch | 1 vessels | 95 | - | 90
Dosage: 12 g/l. Water temperature: 90 °C. Steeping time: 4 min. | 12 g | 1000 ml | 90 | - | 240
Water: 75-80°C (167-176°F). Time: 1-2 min. Leaf: 2 tsp per 300 ml. | 2 teaspoon | 300 ml | 75-80 | - | 60-120
175°F / 79°C, 45 seconds, 5 g per 250 ml | 5 g | 250 ml | 79 | - | 45
One dessertspoon per teacup, 95°, three minutes | 1 dessertSpoon | 1 cups | 95 | - | 180
2 dessert spoons to 450 ml of water at 84 C, 2 min 30 s | 2 dessertSpoon | 450 ml | 84 | - | 150
1-1/2 tsp per 8 oz cup. Heat water to 205°F. Steep 4-5 min. | 1.5 teaspoon | 236.59 ml | 96.11 | - | 240-300
Use one teabag per person; brew 2–4 minutes in boiling water | 1 bag | - | 100 | - | 120-240
Rinse the leaf for 5 seconds, then steep 20 seconds at 98 °C. 6 g in 110 ml. | 6 g | 110 ml | 98 | - | 20
First infusion 25 s, second 35 s, third 50 s. 5.5 g per 110 ml, 95 C. | 5.5 g | 110 ml | 95 | - | 25
4.5 g per 120 ml, 90 °C, steeps of 40/55/80 s | 4.5 g | 120 ml | 90 | - | 40
1st steep: 2 minutes. Add 30 seconds for each further steep. Water 85 °C. | - | - | 85 | - | 120
Warm the pot for 1 minute. Then 3 tsp, 700 ml, 95 °C, 4 minutes. | 3 teaspoon | 700 ml | 95 | - | 240
Steep for 3 minutes, never longer than 4. 93 C. | - | - | 93 | - | 180
Do not use boiling water. 2 g per 130 ml, 2 minutes. | 2 g | 130 ml | - | - | 120
No hotter than 70 °C, no longer than 2 minutes | - | - | 70 | - | 120
Bring water to the boil and let it cool to 80 °C; steep 2-3 min | - | - | 80 | - | 120-180
Let boiled water cool for 5 minutes, then infuse 3 minutes | - | - | 100 | 300 | 180
Water one minute off the boil, infuse for two | - | - | 100 | 60 | -
Use water 3 minutes after boiling. Steep for 2 minutes. One teaspoon a cup. | 1 teaspoon | 1 cups | 100 | 180 | 120
Leave the kettle to stand for 90 seconds after it boils, then brew for 2½ minutes | - | - | 100 | 90 | 150
Boil water, let cool slightly, steep three minutes | - | - | - | - | 180
Cold brew: 8 g in 750 ml cold water, overnight in the fridge | 8 g | 750 ml | - | - | -
Cold brew 5 heaped teaspoons per litre, refrigerate 6 to 8 hours | 5 heaped teaspoon | 1000 ml | - | - | 21600-28800
Iced: 15 g per 500 ml, 95 °C, 5 minutes, then pour over ice | 15 g | 500 ml | 95 | - | 300
Half a teaspoon per 100 ml. 60 C. A minute. | 0.5 teaspoon | 100 ml | 60 | - | 60
¾ tsp per 6 oz, 190 °F, 2 to 2½ min | 0.75 teaspoon | 177.44 ml | 87.78 | - | 120-150
Two to three teaspoons for 16 fl oz. 200 degrees F. Five minutes. | 2-3 teaspoon | 473.18 ml | 93.33 | - | 300
Allow 2 rounded teaspoons for each half litre; boiling; 3-6 mins | 2 heaped teaspoon | 500 ml | 100 | - | 180-360
Put 1 sachet in 8-10 oz of boiling water for 4-6 minutes | 1 bag | 266.16 ml | 100 | - | 240-360
1 pyramid bag for 300 ml; 96 °C; 3 - 5 min. | 1 bag | 300 ml | 96 | - | 180-300
1 scoop (3 g) per 220 ml. 98°C. 3 min. | 1 scoop | 220 ml | 98 | - | 180
A level tablespoon for every 350 ml | 1 tablespoon | 350 ml | - | - | -
Net weight 90 g. 2 tsp per 400 ml. 3 min at 88 C. Keep below 25 °C. | 2 teaspoon | 400 ml | 88 | - | 180
Contains 18 tea bags. One bag per cup, 4 minutes, boiling. | 1 bag | 1 cups | 100 | - | 240
Best with a splash of milk. 3.5 g per 200 ml, 100 °C, 4 to 5 min | 3.5 g | 200 ml | 100 | - | 240-300
0.5 oz of leaf per quart, 208°F, 4 min | 14.17 g | 946.35 ml | 97.78 | - | 240
1 tablespoon per cup (8 oz). Bring to a rolling boil. Steep 5-7 minutes. \
| 1 tablespoon | 236.59 ml | 100 | - | 300-420
1 tsp per 6-oz cup, just-boiled water, 3 minutes | 1 teaspoon | 177.44 ml | 100 | - | 180
3 g for a 150 ml cup. 2 min 15 sec. 82 degrees Celsius. | 3 g | 150 ml | 82 | - | 135
Add one teaspoon per cup and one for the pot. Boiling water. Stand 5 minutes. | 1 teaspoon | 1 cups | 100 | - | 300
Steep 8 g in a 600 ml pot, 94 °C, 3½ minutes, stir after 1 minute | 8 g | 600 ml | 94 | - | 210
Temperature 195 F, time 3', dose 2 g per 100 ml | 2 g | 100 ml | 90.56 | - | 180
85 °C, 1'30", 3 g, 200 ml | 3 g | 200 ml | 85 | - | 90
Infuse 45 to 60 seconds in water of 65 to 70 °C. 4 g per 150 ml. | 4 g | 150 ml | 65-70 | - | 45-60
30 s to 1 min at 80 °C | - | - | 80 | - | 30-60
2 min to 3 min 30, 90 °C | - | - | 90 | - | 120-210
Pour boiling water on one teaspoon per person, cover and let stand four minutes | 1 teaspoon | - | 100 | - | 240
Simply add hot water | - | - | - | - | -
Use water below boiling point, 2 tsp to the pint, 3 minutes | 2 teaspoon | 473.18 ml | - | - | 180
Water should be almost boiling. 2 min. | - | - | - | - | 120
Steep covered for 10 minutes in 300 ml of boiling water. 2 tsp. | 2 teaspoon | 300 ml | 100 | - | 600
A tablespoonful of flowers per mug, boiling water, infuse 8–10 min, covered \
| 1 tablespoon | 1 cups | 100 | - | 480-600
Use 1g per 50ml, 95C, 1m30s | 1 g | 50 ml | 95 | - | 90
Place 2 cups of water (500 ml) and 5 g leaf in a pot; 90 °C; 3 min | 5 g | 500 ml | 90 | - | 180
Between 2 and 3 minutes at between 75 and 80 °C | - | - | 75-80 | - | 120-180
Good for 3 infusions. 5 g per 250 ml, 92°C, 60 - 90 sec. | 5 g | 250 ml | 92 | - | 60-90
Ready in 2 minutes. One pouch of 20 bags. | - | - | - | - | -
Two tablespoons per 1 litre jug. Cold water. 4 hours. | 2 tablespoon | 1000 ml | - | - | 14400
Infuse at room temperature for 2 hours, 9 g per 0.75 l | 9 g | 750 ml | - | - | 7200
1 TL pro Tasse, 80 °C, 2 Minuten ziehen lassen | 1 teaspoon | 1 cups | 80 | - | 120
2 gehäufte Teelöffel auf 1 Liter, kochendes Wasser, 5-8 Min. | 2 heaped teaspoon | 1000 ml | 100 | - | 300-480
Pro Tasse einen gestrichenen Teelöffel mit sprudelnd kochendem Wasser aufgießen, 3 bis 4 Minuten ziehen lassen \
| 1 teaspoon | 1 cups | 100 | - | 180-240
Wasser aufkochen, 5 Minuten abkühlen lassen, 12 g pro Liter, 2–3 Minuten ziehen lassen \
| 12 g | 1000 ml | 100 | 300 | 120-180
4 TL auf 1 l Wasser (70 Grad), Ziehzeit anderthalb Minuten | 4 teaspoon | 1000 ml | 70 | - | 90
1 EL je 300 ml, 100°C, 8 Min | 1 tablespoon | 300 ml | 100 | - | 480
1 Beutel je Tasse, 200 ml, kochend, 6 Minuten | 1 bag | 200 ml | 100 | - | 360
Zubereitung: 3 g Tee auf 200 ml, 85 Grad Celsius, 2,5 Minuten | 3 g | 200 ml | 85 | - | 150
Nicht mehr kochendes Wasser verwenden, 2 Min. | - | - | - | - | 120
Zwei Messlöffel für eine Kanne, 95°C, 4 Minuten | 2 scoop | 1 vessels | 95 | - | 240
Eine Prise pro Tasse, zehn Minuten | 1 pinch | 1 cups | - | - | 600
Über Nacht im Kühlschrank, 10 g auf 1 Liter kaltes Wasser | 10 g | 1000 ml | - | - | -
2 cuillères à café pour 30 cl d'eau à 85 °C, infuser 3 minutes | 2 teaspoon | 300 ml | 85 | - | 180
1 c. à c. par tasse, eau frémissante, 2 à 3 min | 1 teaspoon | 1 cups | - | - | 120-180
Une cuillère à soupe par tasse, eau bouillante, laisser infuser 5 minutes | 1 tablespoon | 1 cups | 100 | - | 300
Faire bouillir l'eau, laisser refroidir 3 minutes, puis infuser 2 minutes et demie | - | - | 100 | 180 | 150
1 sachet par tasse (20 cl), eau à 95 °C, infusion 4 à 5 minutes | 1 bag | 200 ml | 95 | - | 240-300
Deux cuillères à café bombées pour une théière, 90°, 3 min | 2 heaped teaspoon | 1 vessels | 90 | - | 180
Une pincée par tasse, 70 degrés, une minute trente | 1 pinch | 1 cups | 70 | - | 90
5 g pour 40 cl, 75-80 °C, 1 min 30 | 5 g | 400 ml | 75-80 | - | 90
1 cucharadita por taza, agua a 80 grados, 2 a 3 minutos | 1 teaspoon | 1 cups | 80 | - | 120-180
Dos cucharaditas colmadas por cada 250 ml, agua hirviendo, dejar reposar 4 minutos \
| 2 heaped teaspoon | 250 ml | 100 | - | 240
Una cucharada sopera por 300 ml, 95 °C, infusionar de 3 a 5 min | 1 tablespoon | 300 ml | 95 | - | 180-300
Hervir el agua, dejar enfriar dos minutos e infusionar un minuto y medio | - | - | 100 | 120 | 90
1 bolsita por taza, agua hirviendo, 3-5 minutos | 1 bag | 1 cups | 100 | - | 180-300
Media cucharadita por taza, 70 °C, 45 segundos | 0.5 teaspoon | 1 cups | 70 | - | 45
Una pizca por taza, sin que el agua llegue a hervir, 2 minutos | 1 pinch | 1 cups | - | - | 120
Dos medidas para una tetera, 90 °C, 3 minutos | 2 scoop | 1 vessels | 90 | - | 180
Steep 1 teaspoon in 8 ounces of 200°F water for 3–5 minutes. | 1 teaspoon | 236.59 ml | 93.33 | - | 180-300
Measure 2.5g of tea per 200ml. Heat fresh water to 95C. Infuse for 3 minutes then remove leaves. \
| 2.5 g | 200 ml | 95 | - | 180
For best results use freshly drawn water, boiled and left for 2 minutes. Brew 3 min. | - | - | 100 | 120 | 180
Serving size: 1 rounded tsp (3 g) | 1 heaped teaspoon | - | - | - | -
Water temp: 160-170F / Time: 1 min / Amount: 1 tbsp | 1 tablespoon | - | 71.11-76.67 | - | 60
Pour 240ml of water at 80 degrees over one bag and wait for 2 minutes | 1 bag | 240 ml | 80 | - | 120
Allow the boiled kettle to rest for 4 min before pouring; steep 90s | - | - | 100 | 240 | 90
Take the kettle off the boil and count to sixty. Infuse for three minutes. | - | - | - | - | 180
One spoon per cup, four minutes | - | 1 cups | - | - | 240
3-4 heaped teaspoons per pot, boiling water, 5-10 minutes | 3-4 heaped teaspoon | 1 vessels | 100 | - | 300-600
1 teabag for 1 mug, freshly boiled water, brew for up to 4 minutes | 1 bag | 1 cups | 100 | - | 240
Gongfu: 7 g / 100 ml / 99 °C / 10 s | 7 g | 100 ml | 99 | - | 10
Use 3g per 8oz, 185°F for 2 minutes. Resteep 3 times, adding 1 minute each time. | 3 g | 236.59 ml | 85 | - | 120
Leaf: 4 g. Water: 300 ml. Heat: 90 °C. Time: 3:00. | 4 g | 300 ml | 90 | - | 180
Wait until the water has cooled to about 75 °C (roughly 6 minutes), then infuse for 2 min | - | - | 75 | 360 | 120
Just below boiling, 3 to 4 min., 1 tsp./cup | 1 teaspoon | 1 cups | - | - | 180-240
Use about 1 tablespoon of tea for 10 oz water | 1 tablespoon | 295.74 ml | - | - | -
Brew four minutes with a teaspoonful per cup of water just off the boil | 1 teaspoon | 1 cups | - | - | 240
Cover leaves with 500 ml boiling water; stand for 7 minutes | - | 500 ml | 100 | - | 420
Steep time 2-4 min, temp 185° | - | - | 85 | - | 120-240
1.5 L cold water, 6 bags, 12 hours in the refrigerator | 6 bag | 1500 ml | - | - | 43200
Add 2 tsp to your teapot, fill with boiling water, leave five to seven minutes \
| 2 teaspoon | 1 vessels | 100 | - | 300-420
Enjoy any time of day. Makes 25 cups. | - | - | - | - | -
One flat teaspoon each 150 ml, 2 min at 70° C | 1 teaspoon | 150 ml | 70 | - | 120
Infuse at 90 ºC during 4 min. 10 g for 1 L. | 10 g | 1000 ml | 90 | - | 240
1 Teelöffel Tee mit 250 ml kochendem Wasser übergießen und zugedeckt 8–10 Minuten ziehen lassen. \
| 1 teaspoon | 250 ml | 100 | - | 480-600
Temperatur: 75 °C, Ziehzeit: 2-3 Min., Dosierung: 4 TL/Liter | 4 teaspoon | 1000 ml | 75 | - | 120-180
15 g auf einen Liter, das kochende Wasser zehn Minuten stehen lassen, dann aufgießen, eine Minute ziehen lassen \
| 15 g | 1000 ml | 100 | 600 | 60
Pro Kanne 5 Teelöffel, 90 Grad, 3 Minuten | 5 teaspoon | 1 vessels | 90 | - | 180
1 gut gehäufter EL pro 0,5 l, 95 °C, 4-5 min | 1 heaped tablespoon | 500 ml | 95 | - | 240-300
Ein Teebeutel pro Becher, mit siedendem Wasser übergießen, 4 Min. | 1 bag | 1 cups | 100 | - | 240
Das Wasser nach dem Kochen zwei Minuten warten lassen. Halbe Minute ziehen. | - | - | 100 | 120 | 30
Température de l'eau : 70°C. Temps d'infusion : 1 à 2 min. 2 g par tasse. | 2 g | 1 cups | 70 | - | 60-120
1 cuillerée à café rase par tasse de 15 cl. Eau à 90°C. 3 min. | 1 teaspoon | 150 ml | 90 | - | 180
Verser l'eau bouillante sur 1 sachet et laisser infuser 3 à 5 min | 1 bag | - | 100 | - | 180-300
Trois cuillères à soupe par litre, une nuit au réfrigérateur | 3 tablespoon | 1000 ml | - | - | -
12 g pour 1 litre d'eau, 80-85°C, 3 mn | 12 g | 1000 ml | 80-85 | - | 180
Eau non bouillante, deux minutes | - | - | - | - | 120
Attendre 5 minutes après ébullition, infuser 3 minutes, 2 cuillères à thé par théière \
| 2 teaspoon | 1 vessels | 100 | 300 | 180
Temperatura: 85 ºC. Tiempo de infusión: 3 min. Cantidad: 2 g por taza. | 2 g | 1 cups | 85 | - | 180
1 cucharada de postre por taza, 90 °C, 4 minutos | 1 dessertSpoon | 1 cups | 90 | - | 240
Verter agua hirviendo sobre una bolsita y esperar 5 minutos | 1 bag | - | 100 | - | 300
Agua a punto de hervir, 2 cucharaditas por tetera, 3 minutos | 2 teaspoon | 1 vessels | - | - | 180
Infusión en frío: 10 g por litro, 6 horas en la nevera | 10 g | 1000 ml | - | - | 21600
Tres minutos a 95 grados, 3 g por 200 ml | 3 g | 200 ml | 95 | - | 180
Use fresh water brought to 208 degrees. Steep for 4 minutes max. | - | - | 97.78 | - | 240
Steep 2 to 3 minutes (longer makes it bitter) | - | - | - | - | 120-180
Quick: 30 seconds at 90°C. Slow: 2 minutes at 75°C. | - | - | 90 | - | 30
Two teaspoons (5 g) to 400 ml, at 82, two minutes | 2 teaspoon | 400 ml | - | - | 120
6-8 g per litre of water, 5 hours in the fridge at 4 °C | 6-8 g | 1000 ml | 4 | - | 18000
Do not oversteep: 3 minutes is plenty | - | - | - | - | 180
1 oz. per gallon, boiling, 5 min | 28.35 g | 3785.41 ml | 100 | - | 300
Half tsp in a small pot, 3 min, cooled boiled water | 0.5 teaspoon | 1 vessels | - | - | 180
Water just before the boil, 1 heaping tsp per 7 oz | 1 heaped teaspoon | 207.01 ml | - | - | -
Infuse for 1 hour, 20 g in 2 l | 20 g | 2000 ml | - | - | 3600
Pour over 90-degree water; let rest for 150 s | - | - | 90 | - | 150
Let the leaves rest two minutes in the water | - | - | - | - | 120
Boil 350 ml of water, add 1 tbsp, simmer for 10 minutes | 1 tablespoon | 350 ml | 100 | - | -
1 tsp (level) per cup (200 ml), 4-5 minutes at 100 C | 1 teaspoon | 200 ml | 100 | - | 240-300
Steep for three-quarters of a minute at 60 °C | - | - | 60 | - | 45
Steep 3.5 mins in 90C water, 5g to 420ml | 5 g | 420 ml | 90 | - | 210
Use 2 grams for every 100 millilitres and steep at 85 degrees for two and a half minutes | 2 g | 100 ml | 85 | - | 150
Bring fresh cold water to a boil. Add one tea bag per 6 ounces. Let steep for 3 to 5 minutes. \
| 1 bag | 177.44 ml | 100 | - | 180-300
One tbsp. to a pint of not-quite-boiling water, five mins | 1 tablespoon | 473.18 ml | - | - | 300
Water that has stood 3 minutes after boiling, 4 g, 250 ml, 2 minutes | 4 g | 250 ml | 100 | 180 | 120
1.25 tsp per 200ml 90c 3m | 1.25 teaspoon | 200 ml | 90 | - | 180
3 g leaf : 150 ml water : 95 °C : 45 s | 3 g | 150 ml | 95 | - | 45
Heat to 170 °F. Steep 1 min 45 sec. 2 tsp per 12 fl. oz. | 2 teaspoon | 354.88 ml | 76.67 | - | 105
Cool boiling water for 2-3 minutes before pouring. Infuse 1 minute. | - | - | 100 | 120-180 | 60
Steep 1 bag 2 min per cup | 1 bag | 1 cups | - | - | 120
A heaped dessertspoonful per pot, left to draw for six minutes | 1 heaped dessertSpoon | 1 vessels | - | - | 360
Use two pinches per glass | 2 pinch | - | - | - | -
Let stand 10 minutes covered, then strain. 1 tsp per cup boiling water. | 1 teaspoon | 1 cups | 100 | - | 600
For one litre: 14 g; 98 °C; 4'30 | 14 g | 1000 ml | 98 | - | 270
Dose 3 to 4 g. Volume 25 cl. Temp. 80 °C. | 3-4 g | 250 ml | 80 | - | -
Cold: 2 bags in 500 ml, 3 hrs in the refrigerator. Hot: 1 bag, 250 ml, 4 min. | 2 bag | 500 ml | - | - | 10800
Brew at 203F for about 4 minutes; re-steep at 4, 6 and 8 minutes | - | - | 95 | - | 240
Infuse in simmering water for 3 minutes | - | - | - | - | 180
1 teaspoon/person | 1 teaspoon | - | - | - | -
0.8 g per 100 ml, wait for the kettle to cool for 90 seconds, steep 2:15 | 0.8 g | 100 ml | - | 90 | 135
Ten grams to the litre, water at ninety degrees, four minutes | 10 g | 1000 ml | 90 | - | 240
Leave to infuse 3–5 min according to taste | - | - | - | - | 180-300
Allow 4 mins. Use one scoop per person. Water 96°. | 1 scoop | - | 96 | - | 240
2 tsp in 1 cup (240 mL) of 175°F (80°C) water, 2 min | 2 teaspoon | 240 ml | 80 | - | 120
For a strong cup use 2 bags per mug, and leave for at least 5 minutes in boiled water | 2 bag | 1 cups | 100 | - | 300
Steep for thirty to forty-five seconds with water at 65°C | - | - | 65 | - | 30-45
1 level scoop = 2.5 g, enough for 180 ml at 94 °C, 3 min | 1 scoop | 180 ml | 94 | - | 180
Best before 12/2027. Lot 4 113. 3 g, 200 ml, 3 min. | 3 g | 200 ml | - | - | 180
Water 80 C. Steep 2 min. Drink within 30 minutes. | - | - | 80 | - | 120
Steep in 6 oz. of water at 195°F-205°F for 3-5 mins. | - | 177.44 ml | 90.56-96.11 | - | 180-300
Off-boil water, a minute's rest, then a 2-minute steep | - | - | - | - | 120
Teaspoon per cup; boiling; 4 min | 1 teaspoon | 1 cups | 100 | - | 240
Zwei Teelöffel (ca. 4 g) auf 300 ml, 80°C, 1½ - 2 Min. | 2 teaspoon | 300 ml | 80 | - | 90-120
Mit heißem, nicht kochendem Wasser (ca. 80 °C) übergießen und 1-2 Minuten ziehen lassen | - | - | 80 | - | 60-120
Kochendes Wasser 5 Min. stehen lassen, 3 g pro 150 ml, 1 Min. ziehen | 3 g | 150 ml | 100 | 300 | 60
2 Prisen pro Kännchen, 90°C, 3 Min | 2 pinch | 1 vessels | 90 | - | 180
Kaltaufguss: 8 g/l, 8 Stunden | 8 g | 1000 ml | - | - | 28800
1 Messlöffel pro 200 ml Wasser, 100 °C, Ziehzeit 5 bis 7 Minuten | 1 scoop | 200 ml | 100 | - | 300-420
Einen halben TL pro Tasse mit 70 °C heißem Wasser, 1 Minute | 0.5 teaspoon | 1 cups | 70 | - | 60
Infuser 1 sachet dans 250 ml d'eau à 90 °C pendant 4 minutes | 1 bag | 250 ml | 90 | - | 240
Eau juste avant ébullition, une cuillère à café par personne, 4 min | 1 teaspoon | - | - | - | 240
Porter l'eau à ébullition puis la laisser reposer 4 minutes. Infuser 2 à 3 minutes. | - | - | 100 | 240 | 120-180
2 pincées pour un pichet d'eau froide, 3 heures | 2 pinch | 1 vessels | - | - | 10800
Une dosette pour 20 cl, 85°C, 2 min 30 s | 1 scoop | 200 ml | 85 | - | 150
Ne pas dépasser 75 °C ni 2 minutes | - | - | 75 | - | 120
Poner 1 cucharadita rasa por taza de 200 ml, agua a 90 °C, 3 min | 1 teaspoon | 200 ml | 90 | - | 180
Calentar el agua a 75 °C, infusionar 1-2 minutos, 2 g por 100 ml | 2 g | 100 ml | 75 | - | 60-120
Dejar reposar el agua hervida 3 minutos y luego infusionar 2 minutos | - | - | 100 | 180 | 120
Un sobre por taza de agua recién hervida, 4 min | 1 bag | 1 cups | 100 | - | 240
Cuatro cucharadas por litro de agua fría, 8 horas | 4 tablespoon | 1000 ml | - | - | 28800
`;

export type CorpusRow = {
  readonly text: string;
  readonly leaf: {
    readonly low: number;
    readonly high: number;
    readonly unit: string;
    readonly heaped: boolean;
  } | null;
  readonly water: Readonly<Record<string, number>> | null;
  readonly heatC: readonly [number, number] | null;
  readonly waitSeconds: readonly [number, number] | null;
  readonly steepSeconds: readonly [number, number] | null;
};

const rangeOf = (cell: string): [number, number] | null => {
  if (cell === '-') return null;
  const [low = '', high = low] = cell.split('-');
  return [Number(low), Number(high)];
};

/** The corpus as rows. @throws {Error} on a row that has not its six cells. */
export function corpusRows(table: string = CORPUS): CorpusRow[] {
  return table
    .split('\n')
    .filter((line) => line.trim() !== '')
    .map((line) => {
      const cells = line.split(' | ').map((c) => c.trim());
      const [text, leaf, water, heat, wait, steep] = cells;
      if (!text || !leaf || !water || !heat || !wait || !steep || cells.length !== 6) {
        throw new Error(`not six cells: ${line}`);
      }
      const [count = '', ...unit] = leaf.split(' ');
      const [low, high] = rangeOf(count) ?? [0, 0];
      const [amount = '', kind = ''] = water.split(' ');
      return {
        text,
        leaf: leaf === '-' ? null : { low, high, unit: unit.at(-1) ?? '', heaped: unit.length > 1 },
        water: water === '-' ? null : { [kind]: Number(amount) },
        heatC: rangeOf(heat),
        waitSeconds: rangeOf(wait),
        steepSeconds: rangeOf(steep),
      };
    });
}
