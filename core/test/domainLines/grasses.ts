/**
 * The grasses as extension handbooks have them, from memory, ±15 %: id; season; new and overseeding
 * bag rate, g/m²; days to show; seeds in a gram; least soil and the good range, °C; sun least and
 * at ease, h; wear, drought, thatch, cold, heat, wet, salt; pH; leaf, mm; spread, mm a week
 * (Juvena's model); share in company, % by weight, and most, % of plants (Juvena's model);
 * mesotrione at seeding; cut, mm; nitrogen, g/m² a year; thermal time °C·d above °C (Juvena's
 * model). A dash: not sown, or not given.
 */
export const GRASS_LINES = `
perennial-ryegrass; cool; 30-40; 15-25; 3-10; 550; 7; 12-25; 4/5; high; mid; low; low-mid; low-mid; mid; mid; 5.8-7.5; 2.5; 0; 10-80; 100; yes; 12-65; 10-20; 95/2
shade-ryegrass; cool; 35-45; 20-30; 3-10; 350; 5; 12-25; 3/5; mid; low-mid; low; low-mid; low-mid; mid; low-mid; 5.8-7.5; 3.5; 0; 10-30; 100; yes; 25-75; 10-15; 90/2
kentucky-bluegrass; cool; 10-15; 5-8; 7-28; 3000; 10; 15-25; 6/7; high; mid; high; high; mid; mid; low; 6-7.5; 2.5; 4; 10-80; 100; yes; 15-75; 10-20; 210/5
tall-fescue; cool; 35-50; 20-30; 5-14; 450; 10; 15-25; 4/5; high; high; low; low-mid; high; mid; mid; 5.5-7.5; 4.5; 0; 80-95; 100; yes; 50-100; 10-15; 125/4
creeping-red-fescue; cool; 20-25; 10-15; 7-21; 1000; 8; 12-22; 3/4; low-mid; mid; mid; high; low-mid; low-mid; mid; 5.5-7; 1.4; 2; 20-90; 100; limited; 20-75; 5-10; 165/3
chewings-fescue; cool; 20-25; 10-15; 7-21; 1200; 8; 12-22; 3/4; low-mid; mid; high; high; low-mid; low; low-mid; 5.5-7; 1; 0; 20-90; 100; limited; 10-65; 5-10; 165/3
hard-fescue; cool; 20-25; 10-15; 7-21; 1250; 8; 12-22; 3/4; low; high; mid; high; mid; low; low-mid; 5.5-7; 1; 0; 20-90; 100; limited; 25-100; 3-10; 165/3
browntop; cool; 5-8; 3-5; 7-14; 15000; 10; 15-25; 4/6; low; low; high; mid; low-mid; mid; low; 5-6.5; 1.2; 1; 5-20; 60; no; 5-25; 8-15; 130/5
creeping-bent; cool; 3-7; 2-4; 7-14; 14000; 10; 15-25; 6/7; low-mid; low; high; high; mid; high; high; 5-6.5; 1.2; 4; 5-20; 60; no; 3-13; 10-25; 130/5
rough-bluegrass; cool; 7-15; 5-8; 7-21; 5000; 8; 12-22; 3/4; low; low; mid; high; low; high; low; 5.8-7.5; 2.2; 2; 10-30; 100; no; 15-75; 8-15; 150/4
alkaligrass; cool; 10-15; 6-10; 7-21; 4500; 10; 12-25; 6/7; low; mid; low; high; mid; high; high; 6.5-9.5; 1.6; 0; 20-80; 100; limited; 30-90; 5-10; 170/5
native-cover; cool; 8-15; 5-10; 14-45; 700; 10; 12-28; 5/6; low; high; low; high; high; mid; mid; 5-8; 2.5; 0; 10-100; 100; no; 90-250; 0-3; 260/6
annual-ryegrass; cool; 25-50; 15-40; 3-8; 450; 5; 10-25; 4/5; mid; low; low; low-mid; low; mid; mid; 5.8-7.5; 3.5; 0; 10-80; 100; yes; 30-65; —; 75/2
bermudagrass; warm; 5-10; 3-5; 7-21; 4200; 18; 21-35; 7/8; high; high; high; low-mid; high; mid; high; 5.5-7.5; 2; 20; 10-100; 100; no; 10-50; 15-25; 170/12
zoysia; warm; 8-15; 5-8; 14-28; 3000; 20; 21-35; 4/6; high; high; high; mid; high; low-mid; high; 5.5-7.5; 3; 4; 10-100; 100; no; 12-50; 5-15; 220/14
kikuyu; warm; 2-5; 1-3; 7-21; 400; 18; 21-32; 6/7; high; high; high; low-mid; high; mid; mid; 5.5-8; 4.5; 20; 10-100; 100; no; 20-50; 10-20; 170/12
buffalograss; warm; 10-20; 5-10; 14-28; 110; 16; 21-32; 7/8; low; high; low; high; high; low; mid; 6-8.5; 2; 9; 10-100; 100; limited; 50-100; 2-7; 220/11
centipedegrass; warm; 1-2.5; 1-2; 14-28; 900; 20; 21-32; 5/6; low; mid; mid; low-mid; high; low-mid; low; 5-6; 4; 5; 10-100; 100; yes; 25-50; 2-7; 220/14
bahiagrass; warm; 25-50; 20-30; 14-28; 370; 18; 21-32; 6/7; mid; high; low; low-mid; high; mid; low-mid; 5-6.5; 6; 1; 10-100; 100; no; 50-100; 5-15; 220/13
seashore-paspalum; warm; 3-5; 2-3; 7-21; 1000; 20; 21-35; 6/8; high; mid; high; low; high; high; high; 5-8.5; 3; 12; 10-100; 100; no; 6-50; 10-20; 200/13
carpetgrass; warm; 10-20; 5-10; 14-21; 2500; 18; 21-32; 5/6; low; low; low; low; mid; high; low; 4.5-6; 6; 8; 10-100; 100; no; 25-50; 2-8; 200/13
st-augustine; warm; —; —; —; —; —; 21-32; 4/6; low-mid; mid; high; low; high; mid; high; 5.5-8; 7; 9; 10-100; 100; no; 50-100; 10-20; —
`
