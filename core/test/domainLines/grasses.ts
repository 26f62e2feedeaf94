/**
 * The grasses as extension handbooks have them, from memory, ±15 %: id; season; new and overseeding bag rate, g/m²; days to show; seeds in a gram; least soil and
 * the good range, °C; sun, h; wear, drought, thatch; cut, mm; nitrogen, g/m² a year; thermal time °C·d above °C (Juvena's model). A dash: not sown, or not given.
 * Where handbooks say low to mid for wear (red and Chewings fescue, St Augustine), mid is taken.
 */
export const GRASS_LINES = `
perennial-ryegrass; cool; 30-40; 15-25; 3-10; 550; 7; 12-25; 4; high; mid; low; 12-65; 10-20; 95/2
kentucky-bluegrass; cool; 10-15; 5-8; 7-28; 3000; 10; 15-25; 6; high; mid; high; 15-75; 10-20; 210/5
tall-fescue; cool; 35-50; 20-30; 5-14; 450; 10; 15-25; 4; high; high; low; 50-100; 10-15; 125/4
creeping-red-fescue; cool; 20-25; 10-15; 7-21; 1000; 8; 12-22; 3; mid; mid; mid; 20-75; 5-10; 165/3
chewings-fescue; cool; 20-25; 10-15; 7-21; 1200; 8; 12-22; 3; mid; mid; high; 10-65; 5-10; 165/3
hard-fescue; cool; 20-25; 10-15; 7-21; 1250; 8; 12-22; 3; low; high; mid; 25-100; 3-10; 165/3
browntop; cool; 5-8; 3-5; 7-14; 15000; 10; 15-25; 4; low; low; high; 5-25; 8-15; 130/5
annual-ryegrass; cool; 25-50; 15-40; 3-8; 450; 5; 10-25; 4; mid; low; low; 30-65; —; 75/2
bermudagrass; warm; 5-10; 3-5; 7-21; 4200; 18; 21-35; 7; high; high; high; 10-50; 15-25; 170/12
zoysia; warm; 8-15; 5-8; 14-28; 3000; 20; 21-35; 4; high; high; high; 12-50; 5-15; 220/14
kikuyu; warm; 2-5; 1-3; 7-21; 400; 18; 21-32; 6; high; high; high; 20-50; 10-20; 170/12
buffalograss; warm; 10-20; 5-10; 14-28; 110; 16; 21-32; 7; low; high; low; 50-100; 2-7; 220/11
centipedegrass; warm; 1-2.5; 1-2; 14-28; 900; 20; 21-32; 5; low; mid; mid; 25-50; 2-7; 220/14
bahiagrass; warm; 25-50; 20-30; 14-28; 370; 18; 21-32; 6; mid; high; low; 50-100; 5-15; 220/13
st-augustine; warm; —; —; —; —; —; 21-32; 4; mid; mid; high; 50-100; 10-20; —
`
