/**
 * The grasses as extension handbooks have them, from memory, ±15 %, in the columns named first:
 * thermal time °C·d above °C, spread (`creeps`, mm a week), share in company (% by weight) and most
 * of the plants (%) are Juvena's model; mesotrione is at seeding; rates are bag rates, g/m²;
 * temperatures °C, sun h, heights, leaf and cover over seed (`depth`) mm, nitrogen g/m² a year. A
 * dash: not sown, or not given.
 */
export const GRASS_COLUMNS = `
id; season; thermal; mesotrione; newRate; overseedRate; days; seedsPerGram; soilMin; soilGood;
sunLeast; sunGood; wear; drought; heat; cold; wet; salt; thatch; ph; cut; leaf; colour; creeps;
nitrogen; depth; weeksToUse; share; mostPlants
`
export const GRASS_LINES = `
perennial-ryegrass; cool; 95/2; yes; 30-40; 15-25; 3-10; 550; 7; 12-25; 4; 5; high; mid; low-mid; low-mid; mid; mid; low; 5.8-7.5; 12-65; 2.5; dark; 0; 10-20; 6; 6-8; 10-80; 100
shade-ryegrass; cool; 90/2; yes; 35-45; 20-30; 3-10; 350; 5; 12-25; 3; 5; mid; low-mid; low-mid; low-mid; mid; low-mid; low; 5.8-7.5; 25-75; 3.5; light; 0; 10-15; 6; 6-8; 10-30; 100
kentucky-bluegrass; cool; 210/5; yes; 10-15; 5-8; 7-28; 3000; 10; 15-25; 6; 7; high; mid; mid; high; mid; low; high; 6-7.5; 15-75; 2.5; mid; 4; 10-20; 3; 12-16; 10-80; 100
tall-fescue; cool; 125/4; yes; 35-50; 20-30; 5-14; 450; 10; 15-25; 4; 5; high; high; high; mid; mid; mid; low; 5.5-7.5; 50-100; 4.5; dark; 0; 10-15; 6; 8-10; 80-95; 100
creeping-red-fescue; cool; 165/3; limited; 20-25; 10-15; 7-21; 1000; 8; 12-22; 3; 4; low-mid; mid; low-mid; high; low-mid; mid; mid; 5.5-7; 20-75; 1.4; mid; 2; 5-10; 5; 8-12; 20-90; 100
chewings-fescue; cool; 165/3; limited; 20-25; 10-15; 7-21; 1200; 8; 12-22; 3; 4; low-mid; mid; low-mid; high; low; low-mid; high; 5.5-7; 10-65; 1; mid; 0; 5-10; 5; 8-12; 20-90; 100
hard-fescue; cool; 165/3; limited; 20-25; 10-15; 7-21; 1250; 8; 12-22; 3; 4; low; high; mid; high; low; low-mid; mid; 5.5-7; 25-100; 1; mid; 0; 3-10; 5; 10-14; 20-90; 100
browntop; cool; 130/5; no; 5-8; 3-5; 7-14; 15000; 10; 15-25; 4; 6; low; low; low-mid; mid; mid; low; high; 5-6.5; 5-25; 1.2; mid; 1; 8-15; 2; 10-14; 5-20; 60
creeping-bent; cool; 130/5; no; 3-7; 2-4; 7-14; 14000; 10; 15-25; 6; 7; low-mid; low; mid; high; high; high; high; 5-6.5; 3-13; 1.2; mid; 4; 10-25; 2; 10-16; 5-20; 60
rough-bluegrass; cool; 150/4; no; 7-15; 5-8; 7-21; 5000; 8; 12-22; 3; 4; low; low; low; high; high; low; mid; 5.8-7.5; 15-75; 2.2; light; 2; 8-15; 3; 10-14; 10-30; 100
alkaligrass; cool; 170/5; limited; 10-15; 6-10; 7-21; 4500; 10; 12-25; 6; 7; low; mid; mid; high; high; high; low; 6.5-9.5; 30-90; 1.6; light; 0; 5-10; 3; 10-14; 20-80; 100
native-cover; cool; 260/6; no; 8-15; 5-10; 14-45; 700; 10; 12-28; 5; 6; low; high; high; high; mid; mid; low; 5-8; 90-250; 2.5; light; 0; 0-3; 5; 26-104; 10-100; 100
annual-ryegrass; cool; 75/2; yes; 25-50; 15-40; 3-8; 450; 5; 10-25; 4; 5; mid; low; low; low-mid; mid; mid; low; 5.8-7.5; 30-65; 3.5; light; 0; —; 6; 4-6; 10-80; 100
bermudagrass; warm; 170/12; no; 5-10; 3-5; 7-21; 4200; 18; 21-35; 7; 8; high; high; high; low-mid; mid; high; high; 5.5-7.5; 10-50; 2; mid; 20; 15-25; 3; 8-12; 10-100; 100
zoysia; warm; 220/14; no; 8-15; 5-8; 14-28; 3000; 20; 21-35; 4; 6; high; high; high; mid; low-mid; high; high; 5.5-7.5; 12-50; 3; mid; 4; 5-15; 3; 16-104; 10-100; 100
kikuyu; warm; 170/12; no; 2-5; 1-3; 7-21; 400; 18; 21-32; 6; 7; high; high; high; low; mid; mid; high; 5.5-8; 20-50; 4.5; light; 20; 10-20; 6; 8-12; 10-100; 100
buffalograss; warm; 220/11; limited; 10-20; 5-10; 14-28; 110; 16; 21-32; 7; 8; low; high; high; high; low; mid; low; 6-8.5; 50-100; 2; light; 9; 2-7; 6; 12-20; 10-100; 100
centipedegrass; warm; 220/14; yes; 1-2.5; 1-2; 14-28; 900; 20; 21-32; 5; 6; low; mid; high; low-mid; low-mid; low; mid; 5-6; 25-50; 4; light; 5; 2-7; 3; 16-52; 10-100; 100
bahiagrass; warm; 220/13; no; 25-50; 20-30; 14-28; 370; 18; 21-32; 6; 7; mid; high; high; low-mid; mid; low-mid; low; 5-6.5; 50-100; 6; light; 1; 5-15; 6; 12-20; 10-100; 100
seashore-paspalum; warm; 200/13; no; 3-5; 2-3; 7-21; 1000; 20; 21-35; 6; 8; high; mid; high; low; high; high; high; 5-8.5; 6-50; 3; dark; 12; 10-20; 3; 10-16; 10-100; 100
carpetgrass; warm; 200/13; no; 10-20; 5-10; 14-21; 2500; 18; 21-32; 5; 6; low; low; mid; low; high; low; low; 4.5-6; 25-50; 6; light; 8; 2-8; 3; 12-20; 10-100; 100
st-augustine; warm; —; no; —; —; —; —; —; 21-32; 4; 6; low-mid; mid; high; low; mid; high; high; 5.5-8; 50-100; 7; mid; 9; 10-20; 0; 8-16; 10-100; 100
`
