# Fire and heat

@wick en = candle.n/wick.n/tealight.n/tea_light.n/match.n/splint.n/fire/bonfire/burner.n/stove/hob/sparkler.n/incense/barbecue/taper.n/lantern.n/firelighter.n/gas
@wick es = vela.n/velita.n/candela.n/mecha.n/cerilla.n/cerillo.n/fosforo.n/fogata.n/hoguera.n/fuego/mechero.n/encendedor.n/bengala.n/incienso/hornilla.n/estufa/gas/carbon/quinque.n
@fuelstuff en = paper/wood/sugar/nut.n/peanut.n/leaf.n/wool/hair/marshmallow.n/spaghetti/string/thread/cotton/stick.n/grass/peel/chip.n/sample.n/it/them
@fuelstuff es = papel/madera/azucar/nuez.n/cacahuate.n/cacahuete.n/hoja.n/lana/malvavisco.n/espagueti.n/hilo/algodon/palito.n/pasto/cascara.n/muestra.n

flame-lit : a : light : light flame
 en! light.v .. $wick, strike.v .. match.n, relight.v, set.v .. on_fire/alight, set_light_to, set_fire_to, put.v .. match to, hold.v/keep.v/pass.v/move.v/put.v/dip.v .. flame.n
 en? light.v it/them, ignite.v, flame.n, alight
 en- light.v it/them from/with/up, light it evenly, ignite.v .. interest/curiosity/discussion, flame_red/coloured/shaped, flame_retardant/resistant, lit by, light.v up, gas light, alight on/from
 es! encender.v .. $wick, prender.v .. $wick, prender_fuego, pegar_fuego, raspar.v/frotar.v .. cerillo.n/cerilla.n/fosforo.n, poner.v/pasar.v/acercar.v/sostener.v .. llama
 es? encender.v/prender.v $stop, encenderla/encenderlo/enciendela/enciendelo/prendela/prendelo, la/una/las llama/llamas, llama_de, llama_azul/amarilla
 es- llamar.v a/al, se_llama, como_se_llama, la/lo/le llama por/a/al, encender.v .. camara/telefono/celular/movil/luz/linterna/bascula/pantalla/cronometro/lampara/timer, prender.v .. camara/telefono/celular/luz/linterna/bascula/pantalla/cronometro, prendedor.n
candle : t : +candle light : light flame candle
 en? candle.n, tealight.n, tea_light.n, oil_lamp.n, incense
 en! burning/lit/lighted candle.n
 en- candle_wax, candle_holder.n, candle_shaped, unlit candle.n, led/electric/battery candle.n, led/electric tea_light.n, candle_power
 es? vela.n, velita.n, candela.n, cirio.n, incienso, lampara_de_aceite
 es! vela.n/velita.n encendida.a/prendida.a
 es- barco.n .. vela.n, vela.n .. barco.n/mastil/velero/viento/barquito.n, a_vela, en_vela, vela.n de_papel/de_tela/triangular, cera_de_vela, vela.n led/electrica.a/apagada.a, forma_de_vela, mastil .. vela
match : t : light : light flame
 en? a match $stop, matches $stop, matchstick.n, box_of_matches, match_box, matchbox.n, a_long_match, the match $stop
 en! strike.v .. match.n
 en- match.v .. the/each/your/it/them/colour.n/picture.n/pair.n/word.n/card.n, match.n with/to/up, matching, a_good_match, best_match, a_match_for, football/cricket match.n, empty_matchbox, does_it_match, which .. match.n, find.v .. match
 es! cerilla.n, cerillo.n, caja_de_fosforos, un_fosforo, fosforos
 es- fosforo_blanco, contenido_de_fosforo, nitrogeno .. fosforo, fosforo .. potasio
lighter : t : light : light flame
 en? keep.v/bring.v/use.v/have.v/take.v/fetch.v .. a/the/your lighter, a/the/your/gas/cigarette/kitchen lighter $stop, lighter_flame
 es! encendedor.n, mechero.n, chispero.n
 es- lampara/linterna .. encendedor automatico
 en- lighter than/of/one/ones/and_heavier/or_heavier, heavier/darker or/and/to/than lighter, is/are/get.v/become.v/feel.v/look.v/turn.v lighter, even/much/slightly/far lighter
burner : t : flame : flame light
 en! bunsen, spirit_burner.n, gas_burner.n, alcohol_burner.n, alcohol_lamp.n, camping_stove.n, camp_stove.n, blowtorch.n, blow_torch.n, butane, propane, gas_cylinder.n
 es! mechero_bunsen, bunsen, hornillo.n, soplete.n, infiernillo.n, lampara_de_alcohol, butano, propano, bombona.n, estufa_de_campamento, anafe.n, parrilla_de_gas
fire-open : t : flame smoke : flame light smoke
 en! bonfire.n, campfire.n, camp_fire.n, fire_pit.n, fireplace.n, barbecue.n, wood_stove.n, log_burner.n, over/into/near/beside an/a/the fire^ $stop, embers, make.v .. a_fire, charcoal
 en- fire_engine.n, fire_truck.n, fire_red, fire_alarm.n, fire_drill.n, fire_brigade, fire_exit.n, fireproof, fire_blanket, charcoal pencil/drawing, charcoal grey
 es! hoguera.n, fogata.n, chimenea.n, barbacoa.n, asador.n, brasa.n, en/sobre/junto_al fuego^, hacer.v .. fuego, leña
 es? fuego
 es- rojo_fuego, color_fuego, camion_de_fuego, chimenea.n de_papel/de_carton, alto_el_fuego, a_prueba_de_fuego, fuego.n artificial*, a_fuego
burn : a : smoke flame : smoke flame light
 en? burn.v .. $fuelstuff, scorch.v, singe.v, char.v, smoulder.v, smolder.v, burnt
 en- burn.v .. finger.n/skin/hand.n/mouth/tongue/yourself/you/calories/energy/fat, burn_cream, sunburn, burnt_orange/sienna
 es? quemar.v .. $fuelstuff, quemalo/quemala/quemarlo/quemarla/quemalos/quemarlos, chamuscar.v, carbonizar.v, arder.v
 es- quemar.v .. dedo.n/mano.n/piel/lengua/boca/calorias/energia/grasa, quemarte/quemarse/quemes, arder.v .. ojo.n/piel/boca
smoke : a : smoke : smoke
 en? smoke.v
 en- smoke_alarm.n, smoke_detector.n, smoked, smoke_free, smoke_grey, see.v smoke, smell.v .. smoke, if .. smoke
 es? humo, ahumar.v
 es- detector_de_humo, alarma_de_humo, gris_humo, ahumado.a, si .. humo, ves/veas humo
fire-makers : t : fireworks match-heads : fireworks match-heads
 en! firework.n, firecracker.n, sparkler.n, gunpowder, black_powder, match_head.n, heads .. matches, flash_powder, thermite, smoke_bomb.n, party_popper.n, toy_cap.n, saltpetre, saltpeter, potassium_nitrate, rocket_engine.n, rocket_motor.n
 en- firework.n in/of .. glass/jar/milk/water/colour/color/oil
 es! fuegos_artificiales, petardo.n, bengala.n, polvora, cabeza.n .. cerillo.n/cerilla.n/fosforo.n, termita, bomba_de_humo, salitre, nitrato_de_potasio, cuete.n, cohete_de_feria, cohetillo.n, lanzaconfeti.n
 es- fuegos_artificiales en/de .. vaso/frasco/leche/agua/color.n/aceite
hob : a : heat : heat hot-water warm-water melt-wax hot-oil hot-syrup
 en! on/onto/over the/a^ .. stove/hob/cooker/hotplate/hot_plate/stovetop, stovetop, hot_plate.n, simmer.v, over_a_low/over_a_medium/over_a_gentle/over_low/over_medium heat, heat.v .. pan/saucepan/pot/stove/kettle, turn.v_on .. hob/stove/cooker/ring, double_boiler, bain_marie
 en- stove_off, toy stove, on the hob .. off
 es! a_fuego lento/medio/alto/bajo/vivo/suave, al_fuego, baño_maria, hornilla.n, vitroceramica, placa_de_induccion, placa_electrica, fogon.n, calentar.v .. olla/cazo/sarten/cacerola/fuego/estufa/hornilla/parrilla, encender.v/prender.v .. estufa/hornilla/fogon, en/sobre la^ estufa
heat-any : a : heat : heat hot-water warm-water microwave melt-wax hot-oil hot-syrup
 en? heat.v it/them/the/up/some/until/gently/slowly/in/for/a/over/to, heated, reheat.v, warm.v it/up/them/the, hot .. oil/pan/plate/metal/stone.n/sand/spoon/iron_bar/wire, lava_lamp_heat, under_a_heat_lamp, heat_lamp.n
 en- the/of/this/that/more/less/much/body/some/no heat, central heating, heat_proof, heatproof, heat_resistant, heat .. energy, warm.v .. in .. hand.n, warm.v .. with .. hand.n, by_the_heat, global warming, warming up exercise.n, warm up your/voice/muscles, underfloor heating
 es? calentar.v, recalentar.v, caliente.a $stop^, lampara_de_calor, al_rojo, caliente.a
 es- mas/menos/tan/muy/cuanto/que/igual caliente.a, mantener.v .. caliente.a, aire caliente.a, perrito.n caliente.a, papa/patata caliente, dia.n caliente.a, esta/estara/sigue/queda caliente.a, estar.v .. caliente.a, calentar.v .. mano.n, calentamiento global, sol .. calentar.v, calentar.v .. sol, se_calienta/se_calientan, caliente.a o fria.a, fria.a y/o caliente.a, sol calienta
temperature : a : heat : heat hot-water warm-water
 en! #>45 degC
 en? #>30 degC
 en- thermometer .. # degC, scale .. # degC, range .. # degC, from # to # degC, up_to # degC .. scale, room .. # degC, wash.v .. at # degC, body temperature .. # degC
 es! #>45 degC
 es? #>30 degC
 es- termometro .. # degC, escala .. # degC, de # a # degC, entre # y # degC, cuarto .. # degC, lavar.v .. a # degC, temperatura del cuerpo .. # degC
oven : a : heat : heat
 en! oven, toaster.n, air_fryer.n, preheat.v, bake.v it/them/the/for/at/in/until, broil.v, under_the_grill, roast.v, toast.v .. bread/it/seed.n/marshmallow.n
 en- oven glove.n/mitt.n/dish.n/tray.n/timer.n/thermometer.n/shelf/rack.n/paper/proof/tin.n, oven_gloves_on, oven_off, ovenproof, baking soda/powder/tray.n/sheet.n/tin.n/paper/parchment/dish.n/pan.n, baked_beans, roasted
 es! horno.n, hornear.v, tostador.n, tostadora.n, freidora_de_aire, gratinar.v, precalentar.v, asar.v
 es- polvo.n de_hornear, papel de/para hornear/horno, bandeja.n de/para horno/hornear, charola.n de/para horno/hornear, molde.n de/para horno, guante.n de/para horno, fuente.n de/para horno, reloj_del_horno, horno_solar
 en? grill .. hot, hot .. grill, on/under the/a^ .. grill, griddle, sear.v, sizzle.v, kiln
 es? parrilla .. caliente.a, en/sobre la^ parrilla, comal, plancha caliente.a
microwave : a : microwave : microwave
 en! microwave.v
 en- microwave_proof, microwave_safe, clock .. microwave, microwaves_are, microwave clock/timer
 es! microondas
 es- apto.a para_microondas, reloj_del_microondas, microondas_son
boil : a : hot-water heat : hot-water heat
 en! boil.v, to_the_boil, poach.v, blanch.v, cook.v .. rice/pasta/egg.n/potato.n/it/them/noodles/beans, freshly_boiled
 en? kettle, brew.v, cook.v
 en- boiled_sweets, boiling_point.n, boiling_hot day.n, cooking oil/salt/spray/tongs/pot.n/spoon.n/apple.n, cook_book, brewing storm, a cook, the cook, kettle off
 es! hervir.v, ebullicion, cocer.v, escaldar.v, hervidor.n, agua_hirviente, hirviendo
 es? cocinar.v, pava, guisar.v, huevo.n duro/cocido, cocido.a
 es- punto_de_ebullicion, cocina/cocinas, cocinera.n/cocinero.n
hot-water : a : hot-water : hot-water heat warm-water
 en! hot_water, hot .. tap_water, hot_tap, very_hot, water .. as_hot_as, hot tea/coffee/soup/chocolate/milk/drink.n, water .. from .. kettle
 en- hot_water_bottle cover, very_hot day.n/summer.n/country, hot_spot, too_hot_to
 es! agua_caliente, agua_muy_caliente, agua .. bien_caliente, te/cafe/sopa/leche/chocolate caliente, agua de_la tetera/pava
 es- agua_caliente sube/flota
warm-water : a : warm-water : warm-water hot-water heat
 en? warm_water, warm tap_water/milk/tea, bath_water
 en- lukewarm_water, hand_warm water, water .. warm .. hand
 es? agua_tibia, agua_templada, leche_tibia, agua .. tibia
 es- apenas_tibia, temperatura_de_la_mano
steam : a : heat : heat hot-water
 en? steam.v, over_the_steam
 en- steam_engine.n, steam_train.n, steam_ship.n, full_steam, steam_boat.n, stem_and_steam
 es? al_vapor, sobre_el_vapor, vapor .. olla/tetera/hervidor/cazo, vaporera.n
oil-hot : a : hot-oil deep-fry : hot-oil deep-fry
 en! fry.v, deep_fryer.n, hot_oil, heat.v .. oil, oil .. shimmer*, wok, saute.v
 en- frying_pan.n, french_fries, air_fryer.n
 es! freir.v, sofreir.v, frito.a, aceite_caliente, calentar.v .. aceite, freidora.n, aceite .. hirviendo
 es- papas_fritas, patatas_fritas, freidora_de_aire
popcorn : a : heat microwave : heat microwave hot-oil
 en? pop.v .. corn/popcorn/kernel.n, make.v .. popcorn
 en- popcorn box/bag/bucket/kernel.n, piece.n of popcorn
 es? hacer.v .. palomitas, reventar.v .. maiz, palomitas .. sarten/olla
wax : a : melt-wax : melt-wax
 en! melt.v .. wax/crayon.n/paraffin/candle.n/beeswax, molten_wax, hot_wax, melted_wax, wax .. melt.v
 es! derretir.v/fundir.v .. cera/crayon.n/parafina/vela.n, cera/parafina/crayon.n .. derretir.v, cera_caliente/cera_derretida
syrup : a : hot-syrup : hot-syrup
 en! carameli*, hot_syrup, boil.v .. sugar/syrup, melt.v .. sugar, make.v .. caramel/toffee/fudge/honeycomb/candy, hot_sugar, sugar .. melt.v .. pan
 es! carameliz*, punto_de_caramelo, hacer.v .. caramelo/melcocha/turron, almibar .. caliente/hirviendo, derretir.v/fundir.v .. azucar, hervir.v .. azucar/almibar
melt : a : heat : heat melt-wax microwave
 en? melt.v .. chocolate/butter/cheese/plastic/solder/metal/lead/tin/soap/gelatin*/marshmallow.n/coconut_oil, melted butter/chocolate
 en- melt.v .. ice/snow/ice_cube.n/in_your_hand/in_the_sun, ice/snow .. melt.v
 es? derretir.v/fundir.v .. chocolate/mantequilla/queso/plastico/metal/plomo/estaño/jabon/gelatina/malvavisco.n/unicel
 es- derretir.v .. hielo/nieve/cubito.n/mano.n/sol, hielo/nieve .. derretir.v
hot-tool : t : mains heat hot-tool* : hair-dryer mains heat hot-tool
 en! with_an_iron, hot_iron, steam_iron, iron.v .. cloth/paper/wax/fabric/it/shirt, hair_straightener.n, curling_iron.n, soldering_iron.n, heat_gun.n, hot_glue, glue_gun.n, laminator.n
 en- iron nail.n/filings/ore/oxide/rich/wool/bar.n/rod.n
 es! planchar.v, plancha_caliente, con_la_plancha, con_una_plancha, plancha_de_ropa/de_pelo, pistola_de_silicona, pistola_de_calor, silicona_caliente, cautin.n, soldador.n, rizador.n
 es- plancha.n de_corcho/de_carton/de_madera/de_unicel
hair-dryer : t : hair-dryer : hair-dryer mains
 en! hair_dryer.n, hairdryer.n, hair_drier.n, blow_dry.v, blow_dryer.n, fan_heater.n, electric_heater.n
 es! secador.n, secadora.n, calefactor.n
 es- secador_de_platos, secador_de_papel

# Electricity and light

mains : t : mains : mains
 en! plug.v .. in $stop, wall_socket.n, power_socket.n, plug_socket.n, electrical_outlet.n, wall_outlet.n, power_outlet.n, plug.v in/into/it_in, plugged_in, mains, extension_lead.n, extension_cord.n, power_strip.n, live_wire.n, take.v_apart/open.v/dismantle.v/unscrew.v .. toaster/radio/charger/plug/television/appliance/lamp, electric kettle/fan/lamp/mixer/whisk, table_lamp.n, put.v/push.v/stick.v/insert.v .. into .. socket.n, wire.n .. socket.n
 en- plug.v .. in .. hole/gap/sink/bath/clay, plug.v .. sink/bath/hole/drain/bottle/gap, sink_plug, bath_plug, plug_lid, eye_socket.n, unplug.v, plug.n of_clay, plug .. with .. clay
 es! enchufe.n, enchufar.v, toma_de_corriente, tomacorriente.n, alargador.n, multicontacto.n, regleta_electrica, extension_electrica, desarmar.v/abrir.v/desmontar.v .. tostadora/radio/cargador/aparato/electrodomestico/lampara, ventilador_electrico, ventilador.n, lampara_de_mesa, batidora_electrica
 es- desenchufar.v
mains-water : a : mains charging-phone : mains charging-phone hair-dryer
 en! lamp/charger/extension/cable/radio/heater/mixer .. next_to/beside/over/in/into/near .. water/bath/sink/bowl/aquarium, phone .. on_its_charger/on_charge/while_charging/charging/plugged_in, charge.v .. phone .. beside/next_to/near
 es! lampara/cargador/extension/cable/radio/batidora .. junto/dentro/sobre/en/cerca .. agua/bañera/fregadero/tina/lavabo, telefono/celular/movil .. cargando/enchufado/cargandose
battery-9v : t : +battery-9v electrolyse : battery-9v electrolyse
 en! 9_v, 9v, nine_volt, 9_volt, power_pack.n, power_supply, power_bank.n, car_battery.n, battery_charger.n
 es! 9_v, 9v, 9_voltios, nueve_voltios, pila_cuadrada, fuente_de_alimentacion, bateria_de_coche, bateria_de_carro, bateria_de_auto, cargador_de_pilas, bateria_portatil
short-circuit : a : short-battery : short-battery
 en! short_circuit.v, short.v the/a battery/cell, connect.v/join.v/touch.v/link.v .. both_ends/both_terminals/two_terminals/both_poles/two_ends .. battery/cell, foil/wire .. straight_across/from_end_to_end .. battery
 en? connect.v/join.v .. two_ends/both_ends/both_terminals
 es! cortocircuito.n, corto_circuito, hacer.v .. un_corto, unir.v/conectar.v/juntar.v/tocar.v .. dos_polos/los_polos/ambos_polos/dos_extremos .. pila/bateria
 es? unir.v/conectar.v/juntar.v .. dos_polos/ambos_polos/los_polos
steel-wool : t : steel-wool-battery : steel-wool-battery
 en! steel_wool, wire_wool
 es! lana_de_acero, lana_de_metal, fibra_metalica, estropajo_metalico, estropajo_de_acero, estropajo_de_metal, fibra_de_acero
battery-harm : a : heat-battery : heat-battery short-battery
 en! open.v/cut.v/break.v/crush.v/saw.v/heat.v/warm.v/bake.v/wet.v/peel.v/lick.v/drill.v .. battery/batteries/cell
 en- open.v .. battery box/compartment/cover/holder/case, cell_phone.n, plant_cell.n, break.v .. circuit
 es! abrir.v/cortar.v/romper.v/aplastar.v/calentar.v/mojar.v/lamer.v/congelar.v .. pila/pilas/bateria/baterias
 es- abrir.v .. tapa/caja/compartimento .. pila/pilas
coin-cell : t : +cell-button : cell-button battery-lithium
 en! button_cell.n, coin_cell.n, button_battery.n, watch_battery.n, lithium, cr2032, hearing_aid_battery
 es! pila.n de_boton, pila_boton, pilas_boton, litio, pila_de_reloj, pila_de_moneda
magnet : t : +magnet-strong : magnet-strong magnet-fridge
 en! neodymium, rare_earth, super_magnet.n, strong/tiny/small/little/powerful magnet.n, magnet_ball.n, magnetic_ball.n, ball_magnet.n
 en? magnet.n
 en- fridge_magnet.n, magnet_strip
 es! neodimio, superiman.n, iman.n potente.a/fuerte.a/pequeño.a, bolita.n magnetica.a
 es? iman.n
 es- iman.n de_nevera/de_refrigerador/de_refri/del_refrigerador
electrolysis : a : electrolyse : electrolyse
 en! electrolys*, electroplat*, pass.v/run.v/send.v .. current .. through .. water/solution, battery .. in/into .. water/solution/brine/vinegar, wires .. battery .. in/into .. water
 en? electrode.n
 es! electrolisis, galvanoplastia, pasar.v .. corriente .. agua/solucion/salmuera, pila/bateria .. en/dentro .. agua/salmuera/vinagre
 es? electrodo.n
sun-look : a : look-at-sun : look-at-sun
 en! look.v/stare.v/gaze.v/squint.v/peer.v .. sun/eclipse, watch.v/observe.v/view.v the/a^ .. sun/eclipse/sunset/sunrise, photo/photograph/picture/film .. of/at the_sun, facing_the_sun, face.v the_sun, binoculars/telescope .. sun, eclipse_glasses
 en? eclipse.n, where_the_sun
 en- sun_dial, sun_clock.n, sun .. shadow, back to_the_sun, away from the sun, look.v .. shadow
 es! mirar.v/observar.v/contemplar.v .. sol/eclipse, de_cara_al_sol, fotografiar.v .. sol, foto .. del/al sol, telescopio/prismaticos/binoculares .. sol, ver.v .. el_sol/el_eclipse/salir_el_sol
 es? eclipse.n, puesta_de_sol, amanecer
 es- reloj_de_sol, gafas_de_sol, lentes_de_sol, espaldas_al_sol, sombra .. sol, sol .. sombra, mirar.v .. sombra
sun-lens : a : lens-sun : lens-sun
 en! lens/magnif*/mirror.n/burning_glass/reading_glasses/foil/bottle/telescope/binoculars .. sun/sunlight/sunbeam.n/sunshine, sun/sunlight .. lens/magnif*/mirror.n, focus.v .. sun/sunlight/ray.n/light, solar_oven.n, solar_cooker.n, burning_glass
 en- focus.v .. camera/photo/phone, sun_shade
 es! lupa.n/lente.n/espejo.n/botella/telescopio/prismaticos .. sol/luz_solar, sol .. lupa.n/espejo.n/lente.n, sol .. con .. lupa.n/espejo.n/lente.n, concentrar.v/enfocar.v .. sol/rayos/luz, horno_solar, cocina_solar
 es- lentes_de_sol, botella .. al_sol, enfocar.v .. camara/foto/telefono
pinhole : a : pinhole-sun : pinhole-sun
 en? pinhole.n, sun .. through .. hole, camera_obscura
 es? estenope*, camara_oscura, sol .. por .. agujero/agujerito, agujero/agujerito .. sol
laser : t : laser : laser
 en! laser.n
 en- laser_printer.n, laser_cut, laser_print.n
 es! laser
 es- impresora_laser
strobe : a : strobe* : strobe
 en! strobe.n, strobosc*, disco_light.n, flash.v/flicker.v .. times_a_second/per_second
 en? flashing_light.n, flickering_light.n
 es! estrobosc*, luz_intermitente, luces_intermitentes, luces_de_discoteca, parpade* .. veces_por_segundo
uv : t : uv* : uv
 en? uv, ultraviolet, black_light.n, blacklight.n, sun_lamp.n
 en- uv_index
 es? uv, ultravioleta, luz_negra
 es- indice_uv
eye-light : a : eye-light* : eye-light
 en! shine.v/point.v/aim.v/flash.v .. in/into/at .. eye.n/eyes/face, look.v into .. torch/lamp/flashlight/beam/bulb/light, pupil.n .. torch/light, stare.v/gaze.v/look.v .. into .. torch/lamp/flashlight/beam/bulb/laser/lens
 en- pupil.n .. in_a_good_light
 es! alumbrar.v/apuntar.v/iluminar.v/enfocar.v .. ojo.n/cara/pupila.n, mirar.v .. a_la_linterna/a_la_lampara/al_foco/a_la_luz/a_la_bombilla fija*, mirar.v fijamente .. linterna/lampara/foco/bombilla/luz/laser
 es? mirar.v a_la linterna/lampara/bombilla, mirar.v al_foco

# Vessels, force, height

@jar en = bottle/jar/bag/tube/can/canister/container/flask/tub/pot/box/vessel/glove/it/them
@jar es = botella/frasco/bolsa/tarro/bote/tubo/lata/recipiente/envase/termo/vaso/botecito/frasquito/botellita
@lid en = lid.n/cap.n/top/stopper.n/cover/screw_top
@lid es = tapa/tapadera/tapon/corcho/tapita

close : a : seal : seal store-closed
 en! screw.v .. $lid, put.v/push.v/press.v/snap.v/twist.v/fit.v/pop.v .. $lid .. on/tight/shut/down/in/into, $lid .. on_tight/on_tightly/tightly_on/firmly_on, close.v .. $jar/zip/lid.n, seal.v .. $jar/bag.n, sealed, airtight, zip.v .. bag/it, tie.v/knot.v .. balloon/bag .. neck/shut/closed/tight, tape.v .. shut, cap.v .. bottle/jar/tube/it, capped, stretch.v/pull.v/fit.v/slip.v .. balloon/glove .. over .. bottle/neck/jar, lid.n on $stop, put.v on .. $lid
 en- seal.n .. swim.v/beach/sea/fish/animal/ice/pup.n, close.v .. door/window/eyes/book/page/app/tap/laptop/curtain.n, close_to, close_up, door .. sealed, no_lid, seal of
 es! cerrar.v .. $jar/tapa/cierre/tapon, tapar.v .. botella/frasco/bote/tubo/tarro/envase/recipiente, enroscar.v, sellar.v, poner.v/colocar.v/meter.v/encajar.v .. $lid, hermetic*, taponar.v, encorchar.v, anudar.v .. globo/bolsa, atar.v/amarrar.v .. bolsa/globo, ajustar.v/estirar.v .. globo/guante .. boca/cuello/botella
 es? cierralo/cierrala/cerrarlo/cerrarla/tapalo/tapala/taparlo/taparla
 es- poner.v .. tapa .. libro/cuaderno, cerrar.v .. puerta/ventana/ojos/libro/pagina/grifo/llave/cortina.n/cuaderno, bolsa.n hermetic*, cierre_hermetico, bolsa.n con_cierre, poner.v .. sobre_la_tapa, sin .. tapa, poner.v_la .. nombre
cork : t : seal : seal store-closed
 en! bung.n, stopper.n, cork.v .. bottle/jar/it, push.v/press.v/fit.v/put.v .. cork .. in/into, cork_in
 en- door_stopper.n, cork board/mat/tile.n/boat.n/sheet, piece.n of_cork, cork float.v, show_stopper
 es! poner.v/meter.v/empujar.v/encajar.v .. corcho/tapon, tapar.v .. corcho/tapon, taponar.v
 es- tabla_de_corcho, lamina_de_corcho, corcho flota, barco.n .. corcho, trozo_de_corcho, tapon .. desague/lavabo
shake-closed : a : seal : seal store-closed
 en? shake.v .. $jar/mixture/cream/hard/well
 en- shake.v .. hand.n/head/off, milk_shake.n, milkshake.n, hands .. shake.v, shake.v .. box .. dice, earth .. shake.v, shaky
 es? agitar.v, sacudir.v .. $jar
 es- sacudir.v .. mano.n/mantel/agua, agitar.v .. mano.n/bandera, mar_agitado
store-closed : a : store-closed : store-closed stand
 en! keep.v/store.v/leave.v/stand.v .. closed/sealed/capped/with_the_lid_on/lid_on/shut/airtight
 en- keep.v/leave.v .. door/window/eyes/packet/curtains .. closed/shut
 es! guardar.v/dejar.v/conservar.v .. cerrado.a/tapado.a/sellado.a/hermetic*
 es- guardar.v/dejar.v .. puerta/ventana/ojos/paquete/cortinas .. cerrado.a
burst : a : launch : launch fizz
 en! explode.v, explosion.n, burst.v .. balloon/bag/bottle/lid/glove/jar, pop.v .. lid/cork/cap/off/out/balloon/bag, lid.n .. fly.v/flies/pop.v/shoot.v, pop.v_off, blow.v .. lid/cork off, detonat*, loud_bang, blast.v
 en? bang, burst.v, shoot.v_out, shoot.v_up
 en- burst of, bean.n/seed.n/bud.n/pod.n/skin .. burst.v, pop.v .. back/into/in .. fridge/freezer/bag/box/drawer/bin, pop_up, pop_song, soda_pop, lollipop, bursting with, population explosion, bubble.n .. burst.v/pop.v, burst.v .. bubble.n, big_bang
 es! estallar.v, explotar.v, explosion.n, reventar.v .. globo/bolsa/botella/guante/frasco, saltar.v .. tapa/tapon/corcho, tapa/tapon/corcho .. saltar.v/volar.v/disparado, detonar.v, salir.v .. disparado.a
 es? reventar.v
 es- explotar.v .. recurso.n, reventar.v .. burbuja.n, burbuja.n .. reventar.v/estallar.v, estallar.v .. risa, explosion de_color/de_sabor/demografica, palomitas
fizz-said : a : fizz : fizz
 en? volcano.n, erupt.v, geyser.n, collect.v .. gas/carbon_dioxide/oxygen/hydrogen, make.v/produce.v/give.v_off .. gas, elephant_toothpaste, bath_bomb.n, baking_soda/bicarb/bicarbonate .. vinegar/lemon/acid, vinegar/lemon_juice .. baking_soda/bicarb, yeast .. sugar .. bottle/balloon
 en- volcano .. photo/picture/map/story/name, erupt.v .. laughter, volcanic
 es? volcan.n, erupcion, geiser, recoger.v/recolectar.v .. gas/oxigeno/hidrogeno, producir.v/soltar.v/formar.v .. gas, pasta_de_dientes_de_elefante, pasta_de_elefante, bomba.n de_baño, bicarbonato .. vinagre/limon/acido, vinagre/limon .. bicarbonato, levadura .. azucar .. botella/globo
 es- volcan .. foto/mapa/cuento
launch : a : launch : launch stretch-launch
 en! launch.v, fire.v .. rocket/cannon/missile/ball/cork/it, rocket.n .. fly.v/take.v_off/lift_off/up, blast_off, lift_off, missile.n, projectile.n, cannon.n, blowpipe.n, pea_shooter.n, shoot.v .. rocket/cork/ball/pea.n/arrow.n/paper/across/at/target
 en? rocket.n
 en- fire_red/coloured, launch.v .. app/page/timer/project/survey/video, shoot.v .. photo.n/video.n/clip.n/picture.n/film, root.n .. shoot.n, shoot.n .. grow.v/leaf.n/plant.n/root.n/bean.n, bean_shoots, rocket leaves/salad/seed.n, fire_engine.n, paper_rocket drawing
 es! lanzamiento.n, cohete.n .. despegar.v/volar.v/lanzar.v, lanzar.v/disparar.v .. cohete.n/corcho/misil.n/tapon, disparar.v, misil.n, proyectil.n, cerbatana.n, cañon.n .. aire/papas/carton, despegar.v .. botella/cohete/tapa/corcho, hacer.v despegar
 es? cohete.n
 es- disparar.v .. foto.n/camara/cronometro/flash, gran_cañon
stretch-launch : a : stretch-launch : stretch-launch launch
 en! catapult.n, catapult.v, slingshot.n, crossbow.n, bow_and_arrow, trebuchet.n, mousetrap.n, stretch.v/pull.v .. rubber_band/elastic/band .. let.v_go/release.v/shoot.v/fire.v/flick.v, flick.v .. across/at/into/coin/pea/it, ping.v .. band
 en? pull.v .. back .. let.v_go/release.v
 en- flick.v .. switch/page.n/through
 es! catapulta.n, resortera.n, tirachinas, ballesta.n, arco_y_flecha, arco_y_flechas, estirar.v .. liga/goma/elastico .. soltar.v, ratonera.n
 es? tirar.v_hacia_atras .. soltar.v
throw : a : throw : throw launch drop
 en? throw.v, toss.v, hurl.v, fling.v, kick.v .. ball/it, lob.v
 en- throw.v .. away/out/bin/trash/rubbish/compost, throw.v .. in/into the_bin/the_trash, throw.v .. dice/die/shadow.n/light/coin, toss.v .. coin/salad/pasta/bin, throw.v_up, toss_up, kick_off
 es? lanzar.v, arrojar.v, aventar.v, tirar.v .. pelota/piedra/avion/contra/al_aire, patear.v .. pelota/balon
 es- lanzar.v .. dado.n/moneda.n/pregunta.n, arrojar.v/aventar.v .. basura/bote/sombra, lanzar.v .. video/encuesta
drop : a : drop drop-heavy : drop drop-heavy from-floor
 en? drop.v .. from, let.v_go/let.v_fall/release.v .. from, let.v .. fall, let.v .. go from, drop.v .. stone/rock/brick/egg/book/phone/ball/can/weight/hammer/marble/it/them/both/each
 en- drop.n of, eye_drop.n, drop_by_drop, drop in_temperature, drop.n .. food_colouring/water/oil/iodine/dye/juice/vinegar/milk, temperature .. drop.v, drop it a line, one/two/three/first/last/each drop.n
 es? soltar.v .. desde/de_lo_alto, dejar.v caer, dejar.v .. caer, tirar.v .. desde
 es- dejar.v caer gota/gotas/una_gota
dust : a : throw-powder : throw-powder
 en! blow.v/throw.v/toss.v/puff.v/squirt.v .. flour/powder/starch/cornflour/icing_sugar/cocoa/talc, cloud_of flour/dust/powder, dust_cloud.n
 en- blow.v .. flour/powder off
 es! soplar.v/lanzar.v/esparcir.v/arrojar.v .. harina/polvo/maicena/almidon/talco/cacao, nube.n de_polvo/de_harina
pump : a : launch : launch
 en! bicycle_pump.n, bike_pump.n, foot_pump.n, compressor.n, compressed_air, pressuri*, pump.v .. air/bottle/it_up, vacuum_pump.n, implod*, crush.v .. can .. steam/cold/ice
 en- pump.v .. soap, pump_dispenser, bike_pump_away
 es! bomba_de_aire, bomba_de_bicicleta, bomba_de_bici, inflador.n, compresor.n, aire_comprimido, presuriz*, bomba_de_vacio, implo*
 es- bomba_de_jabon
inflate : a : inflate : inflate balloon-latex
 en! inflate.v, blow.v_up .. balloon.n/glove.n/bag.n, blow.v .. balloon.n/glove.n .. up
 en? balloon.n
 en- hot_air_balloon.n, balloon_whisk.n, speech_balloon.n, weather_balloon.n
 es! inflar.v, hinchar.v .. globo.n/guante.n/bolsa.n, soplar.v .. globo.n
 es? globo.n
 es- globo_terraqueo, globo_aerostatico, globo_ocular, globo.n sonda
climb : a : climb : climb climb-high
 en! stand.v/climb.v/step.v/kneel.v/get.v/hop.v on/onto/up_on/up_onto/up .. chair.n/stool.n/ladder.n/stepladder.n/bed/sofa/worktop/counter/table_top/bench, climb.v .. table/tree/shelf/wall, ladder.n, stepladder.n, step_ladder.n, top .. stairs/staircase, from .. the_stairs, down the_stairs
 en? stairs, staircase
 en- ladder of, jacob_ladder, number_ladder, word_ladder
 es! subir.v .. a/en/sobre/encima .. silla/mesa/banco/taburete/escalera/sillon/cama/encimera/banquito, subete/subirse/subirte/subase .. silla/mesa/banco/taburete/escalera/sillon/cama, trepar.v, de_pie en/sobre una_silla/un_banco/la_mesa/la_silla, parado.a en/sobre una_silla/un_banco/la_mesa, desde .. escalera.n, por .. escalera.n abajo
 es? escalera.n
 es- escalera_de_color, escalera_de_numeros, escalera_de_palabras, subir.v .. foto.n/archivo.n/datos
height-high : a : climb-high : climb-high
 en! out_of/from/off/over .. window/balcony/roof/bannister/banister/landing/rooftop, lean.v_out, stairwell.n, balcony, from_the first/second/third/top/upper floor, climb.v .. tree/roof/window, off_the_roof, bridge .. drop.v
 en- look.v/watch.v/see.v .. window, light .. from .. window, away_from the window, roof_of .. house/box/cardboard, view from .. window, distance from .. window, cm/m/metre.n/far/draught/sun/sunlight from .. window
 es! desde/por/fuera_de .. ventana/balcon/azotea/tejado/barandilla/barandal/techo_de_la_casa, asomar.v .. ventana/balcon, hueco_de_la_escalera, balcon, azotea, desde_el primer/segundo/tercer/ultimo piso, trepar.v .. arbol/tejado/muro
 es- mirar.v/ver.v/observar.v .. ventana, luz .. por .. ventana, sol .. por .. ventana, entrar.v .. ventana, tejado .. carton/casita/maqueta, distancia desde .. ventana, cm desde .. ventana
overhead : a : overhead : overhead hang-cord
 en? hang.v .. ceiling/lamp/beam, hang.v .. from .. ceiling/lamp/beam, above_your_head, over_your_head
 en- hang.v .. washing
 es? colgar.v .. techo/lampara/viga, colgar.v .. de/del .. techo/lampara/viga, sobre_tu_cabeza, encima_de_tu_cabeza
 en! swing.v/whirl.v/spin.v .. bucket/bag/weight/stone/bottle .. round/around/over .. head
 es! girar.v/dar.v .. vueltas .. cubeta/balde/bolsa/piedra .. cabeza
heavy : a : drop-heavy heavy* : drop-heavy heavy
 en? lift.v/carry.v/move.v/push.v/pull.v/drag.v .. heavy/brick.n/furniture/wardrobe/fridge/sack, dumbbell.n, sandbag.n, full_bucket.n, heavy_stone.n, #>4 kilo
 en- heavy_cream, heavy rain/paper/clay
 es? cargar.v/levantar.v/mover.v/empujar.v/arrastrar.v .. pesado.a/ladrillo.n/mueble.n/saco.n/refrigerador, mancuerna.n, balde lleno, cubeta llena, #>4 kilo
loud : a : loud : loud
 en? as_loud_as, full_volume, loud music/noise.n/horn/sound.n, shout.v, scream.v, siren.n, ear.n .. speaker, headphones .. loud
 en- read.v .. aloud, out_loud, how_loud, loud_enough
 es? a_todo_volumen, volumen_maximo, gritar.v, sirena.n, ruido.n fuerte.a, musica_fuerte, oido .. bocina/altavoz
 es- voz_alta, que_tan_fuerte
cord-neck : a : hang-cord : hang-cord
 en! around/round/over .. neck, noose.n, lasso.n, rope_swing.n, hammock.n, tug_of_war, zip_line.n, tie.v .. wrist/ankle/waist/child/brother/sister, across .. doorway/corridor/hallway
 en? rope.n, skipping_rope.n, string/cord/thread/line .. across .. room
 en- neck_of .. bottle/jar/balloon/flask/vase, bottle_neck, bottleneck, tape/cloth/film/string/thread/balloon/band .. neck .. bottle/jar/flask/it, its neck, the_neck, rope of_licorice
 es! colgar.v/poner.v/enrollar.v/atar.v/amarrar.v .. cuello, al/en/alrededor_de/alrededor_del/por .. cuello^, soga.n, columpio.n, hamaca.n, tirolesa.n, atar.v/amarrar.v .. muñeca/tobillo/cintura/hermano/hermana/niño, cuerda/hilo/cordon .. de_lado_a_lado/pasillo/puerta/cuarto
 es? cuerda.n .. larga.a/metros, cuerda_de_saltar
 es- colgar.v/poner.v/atar.v .. cuello .. botella/frasco/globo/tarro, cuello .. botella/frasco/globo/tarro, boca .. cuello
small-part : t : small-things : small-things
 en? bead.n, marble.n, coin.n, button.n, pebble.n, ball_bearing.n, sequin.n, small_stone.n, googly_eye.n, screw.n, penny, pennies
 en- press.v/tap.v/push.v/click.v/touch.v/hit.v .. button.n, start/stop/red/green/record/save/reset/shutter button.n, button cell.n, toss.v .. coin, screw.n cap/lid, marble cake/rye/worktop, flip.v .. coin
 es? abalorio.n, chaquira.n, canica.n, moneda.n, boton.n, piedrita.n, balin.n, piezas_pequeñas, tornillo.n, ojito.n movil*
 es- pulsar.v/tocar.v/apretar.v/presionar.v .. boton.n, boton de/del/verde/rojo, lanzar.v .. moneda, echar.v .. moneda .. suerte, forma_de_moneda

# Blades, tools, glass, glue

@paperish en = paper/card/cardboard/strip.n/cloth/fabric/string/straw.n/tape/foil/circle.n/square.n/shape.n/sponge/thread/ribbon/wing.n/spinner.n/bag.n/sheet.n/felt/wool/hole.n/slit.n/piece.n/out
@paperish es = papel/carton/cartulina/tira.n/tela/hilo/cuerda/pajita.n/popote.n/cinta/circulo.n/cuadrado.n/forma.n/esponja/liston/ala.n/molinete.n/bolsa.n/hoja.n/trozo.n/pedazo.n/ranura.n/agujero.n/orificio.n/lana/fieltro
@veg en = lemon.n/orange.n/apple.n/potato.n/carrot.n/onion.n/cabbage/cucumber.n/celery/beetroot.n/fruit/banana.n/pineapple/egg.n/bread/cheese/tomato.n/lime.n/vegetable.n/liver/soap/candle.n
@veg es = limon.n/naranja.n/manzana.n/papa.n/patata.n/zanahoria.n/cebolla.n/col/repollo/lombarda/pepino.n/apio/betabel/remolacha/fruta.n/platano.n/piña/huevo.n/pan/queso/tomate.n/lima.n/verdura.n/higado/jabon/jitomate.n

knife : a : knife table-knife : knife table-knife craft-knife
 en! knife.n, cut.v/slice.v/chop.v/halve.v/dice.v/quarter.v/carve.v/mince.v .. $veg, peel.v .. potato.n/carrot.n/apple.n/cucumber.n/beetroot.n/with, chop.v it/them/the/up/finely, slice.v it/them/the/into, halve.v
 en? sliced, slice.n of carrot/potato/lemon/apple/cucumber, carrot slice.n, potato slice.n
 en- palette_knife, knife_edge, slice.n of bread, dice, a dice, quarter of an hour, chopstick.n
 es! cuchillo.n, rebanar.v, trocear.v, filetear.v, cortar.v/partir.v/picar.v/pelar.v .. $veg, picar.v fino/finamente, partir.v por_la_mitad/a_la_mitad
 es? en_rodajas, rodaja.n de zanahoria/papa/patata/limon/pepino, partir.v
 es- en_parte, a_partir_de, filo_del_cuchillo .. balanza, rebanada.n de_pan, mosquito.n .. picar.v, picar.v .. ojo.n, # partes, partes iguales, dos/tres/cuatro/cinco/seis partes
cut-any : a : scissors : scissors round-scissors cut craft-knife knife
 en! cut.v/trim.v/snip.v .. $paperish
 en? cut.v $stop, cut.v it/them/the/a/each/two/three/four/off/along/in, trim.v, snip.v
 en- short_cut, a_cut, cut.n or scratch.n, cover .. cut.n, cut.n and graze.n, power_cut, cut_off_point, on/in .. cut.n, cut.n on, paper_cut.n, clean cut, pre_cut, ready_cut
 es! cortar.v/recortar.v .. $paperish
 es? cortar.v, recortar.v
 es- mas/muy/menos/tan/la_mas/demasiado corta/cortas, $paperish corta/cortas, patita.n/manga.n/distancia/pausa/onda.n/vez/pata.n/frase/respuesta corta/cortas, un_corte, los_cortes, cortes y_heridas, tapar.v .. cortes, cortar.v .. luz/agua/corriente/llamada, leche_cortada, se_corta_la leche, recortar.v .. foto, corta distancia
craft-knife : t : craft-knife : craft-knife
 en! craft_knife, craft_knives, utility_knife, box_cutter.n, hobby_knife, scalpel.n, razor.n, razor_blade.n, blade.n, hacksaw.n, with/use/using a^ saw, saw.v off/through/the_wood/it_in
 en- blade.n of grass, shoulder_blade.n, grass blade.n, rotor/fan/propeller/windmill/turbine/spinner/mixer/wing blade.n, blade.n of .. spinner/propeller/windmill/fan/turbine/rotor, saw the/what
 es! cuter, cutter, navaja.n, bisturi.n, cuchilla.n, hoja.n de_afeitar, hojilla.n, segueta.n, serrucho.n, serrar.v, sierra_de_mano, trincheta
 es- cuchilla de_patinar, cuchillo_de_sierra
scissors : t : scissors : scissors round-scissors
 en! scissors, shears
 en- scissor kick
 es! tijera.n
 es- salto.n de_tijera
pierce : a : pierce : pierce
 en! pierce.v, prick.v, puncture.v, skewer.n, needle.n, pin.n, thumbtack.n, drawing_pin.n, push_pin.n, safety_pin.n, awl, make.v/poke.v/punch.v/push.v/prick.v/stab.v .. hole.n, sew.v, cocktail_stick.n, toothpick.n, stab.v, nail .. hole
 en- pine_needle.n, compass .. needle.n, needle.n of .. compass/dial/scale/gauge, needle on/points/moves/swings/comes/rests/settles/turns, clothes_pin.n, rolling_pin.n, hair_pin.n, hairpin.n, bowling_pin.n, pin_number, pin_code, hole_punch.n, hole_puncher, pine .. needle.n, the needle point.v/move.v/swing.v/show.v, pinhole.n, pin_board, dropping_pin
 es! alfiler.n, aguja.n, pinchar.v, perforar.v, agujerear.v, punzar.v, punzon.n, chincheta.n, tachuela.n, brocheta.n, hacer.v/abrir.v .. agujero.n/agujerito.n/orificio.n/hoyo.n/hoyito.n, coser.v, clavar.v, imperdible.n, palillo.n, mondadientes
 es- cosa/cosas, aguja.n del_reloj/de_la_brujula/de_pino/del_medidor/de_la_bascula/de_la_balanza, aguja marca/apunta/señala, palillo.n chino.n, perforadora_de_papel, cose.v .. palabra, clavar.v .. mirada, hacer.v .. hoyo .. tierra
kitchen-tool : t : knife mains : knife mains table-knife
 en! grater.n, grate.v .. $veg/it/them, peeler.n, mandoline, blender.n, food_processor.n, electric_mixer.n, can_opener.n, tin_opener.n, corkscrew.n, blend.v it/them/the/up/with, liquidi*, nutcracker.n, coffee_grinder.n
 es! rallador.n, rallar.v, pelador.n, pelapapas, licuadora.n, licuar.v, batidora.n, procesador_de_alimentos, abrelatas, sacacorchos, cascanueces, molinillo_de_cafe, mandolina
 es- batidora de_mano manual
tool : t : pierce mains : pierce scissors power-tool
 en! drill.n, drill.v, hammer.n, hammer.v, chisel.n, axe.n, hatchet.n, staple_gun.n, nail_gun.n, wire_cutter.n, power_tool.n, jigsaw_cutter, pliers, screwdriver.n, tin_snips, sandpaper .. coin, sand.v .. coin.n/penny
 en- fire_drill.n, practice drill.n, hammer_out, drill practice
 es! taladro.n, taladrar.v, martillo.n, martillar.v, cincel.n, hacha.n, engrapadora_industrial, destornillador.n, desarmador.n, alicate.n, cizalla.n, lijar.v .. moneda.n, broca.n, herramienta_electrica
glass-break : a : =glass/break-glass : tap-glass carry-glass break-glass
 en! break.v/smash.v/shatter.v/crack.v/cut.v .. glass/bottle/mirror/jar/light_bulb/bulb, broken_glass, glass_cutter.n, glass_tub*, glass_rod.n, test_tube.n
 en- glass breaks_easily, egg .. glass, break.v .. eggshell/ice/bread/biscuit, if .. break.v, plastic test_tube.n, crack.v .. egg
 es! romper.v/quebrar.v/estrellar.v/cortar.v .. vidrio/cristal/botella/espejo/foco/bombilla/frasco/vaso/copa/tarro, vidrio.n roto.a, cristal.n roto.a, cortavidrios, tubo_de_ensayo, tubos_de_ensayo, varilla_de_vidrio
 es- si .. romper.v, romper.v .. cascara/hielo/huevo, si .. rompe
glass-tap : a : tap-glass : tap-glass
 en? tap.v/strike.v/hit.v/ping.v/ring.v .. glass/glasses/bottle.n/jar.n, wine_glass.n, finger .. rim
 es? golpear.v/tocar.v/pegar.v .. vaso.n/botella.n/copa.n/frasco.n, copa.n, borde_de_la_copa
 es- copa_del_arbol, copa_mundial
sharp-edge : t : =glass/handled : scissors
 en? sharp_edge.n, jagged, sharp_end.n, tin_lid.n, cut_tin, cut_can
 en- sharp_edge.n of .. paper/crease/fold/card/shadow/table, sharp shadow.n/picture.n/image.n/focus/pencil.n, sharp edge.n .. shadow
 es? borde.n afilado.a, borde.n cortante.a, filoso.a, punta.n afilada.a
 es- borde.n afilado.a del_papel/de_la_hoja, filo del_papel, filo de_la_hoja, lapiz afilado
super-glue : t : super-glue* : super-glue
 en! super_glue, superglue, instant_glue, cyanoacrylate, epoxy, contact_adhesive, spray_glue, spray_adhesive, resin_kit, casting_resin
 es! pegamento_instantaneo, superpegamento, super_pegamento, cianoacrilato, epoxi*, pegamento_de_contacto, cola_de_contacto, pegamento_en_aerosol, kit_de_resina

# Substances that are said and not listed

bleach : t : +bleach : listed
 en! bleach, hypochlorite, chlorine
 en- bleach.v_white, bleach_white, sun .. bleach.v, bleach.v .. sun, bleach paper, chlorine_free, chlorine atom/ion/chloride
 es! lejia, cloro, lavandina, hipoclorito, blanqueador.n
 es- libre_de_cloro, atomo_de_cloro
cleaner : t : =cleaners : listed
 en! drain/oven/toilet/bathroom/kitchen/glass/window/floor/bowl/limescale/shower/grill cleaner.n, drain_opener, drain_unblocker, descaler, limescale_remover, rust_remover, disinfectant, all_purpose_cleaner.n, multi_purpose_cleaner, laundry_detergent, washing_powder, laundry_pod.n, dishwasher_tablet.n, dishwasher_powder, stain_remover, silver_dip, metal_polish, mould_spray, cleaning_fluid, cleaning_product.n, cleaning_agent.n, cleaning_spray.n, fabric_softener, bathroom_spray, anything/something/stuff/product/powder/liquid/crystals/what for/that/to .. drain.n/oven/toilet/limescale/pipes/blocked_sink, under_the_sink, cleaning_cupboard
 en- pipe_cleaner.n, vacuum_cleaner.n, cleaner air/water/than/than_before/edge, is/are/which cleaner, water .. cleaner
 es! limpiahornos, destapacaños, desatascador.n, desincrustante, antical, antisarro, limpiacristales, limpiavidrios, limpiador.n, limpiapisos, desinfectante.n, detergente.n, quitamanchas, quitagrasa, desengrasante, friegasuelos, fregasuelos, suavizante, pastilla.n de/para lavavajillas, capsula.n de_detergente/de_lavadora, producto.n de_limpieza, producto/polvo/liquido/algo/cristales para .. horno/desague.n/inodoro/wc/baño/cañeria.n/tuberia.n/sarro/cal/excusado/lavadora, debajo_del_fregadero, armario_de_limpieza
 es- limpiapipas, detergente.n de/para platos/trastes, desatascador de_ventosa
mix-cleaner : a : =mix-cleaners : clean-with-bleach clean-with-spray
 en! mix.v/combine.v/add.v/pour.v .. two/different/some/any/both cleaner.n/cleaners/cleaning_products/products
 es! mezclar.v/juntar.v/combinar.v .. dos/varios/distintos limpiadores/productos/detergentes
clear-spray : a : clean-with-spray : clean-with-spray clean-with-bleach
 en! wipe.v/clean.v/spray.v/disinfect.v/scrub.v .. with .. spray/disinfectant/wipe.n/antibacterial/ammonia/cleaner, disinfect.v, antibacterial_wipe.n, disinfecting_wipe.n
 es! limpiar.v/desinfectar.v/rociar.v .. con .. spray/desinfectante/toallita.n/limpiador/amoniaco, desinfectar.v, toallita.n desinfectante.a/desinfectantes
caustic : t : +drain-cleaner : listed
 en! lye, caustic, caustic_soda, sodium_hydroxide, potassium_hydroxide, naoh, koh, quicklime, slaked_lime, hydrated_lime, burnt_lime, calcium_oxide, calcium_hydroxide, drain_crystal.n
 en? lime_water, limewater, lime_powder, garden_lime
 es! sosa_caustica, soda_caustica, sosa, caustico.a, hidroxido_de_sodio, hidroxido_de_potasio, potasa, cal_viva, cal_apagada, cal_hidratada, agua_de_cal, oxido_de_calcio
 es? cal
 es- cristales_de_sosa_para_lavar, pizca_de_cal y_canto
acid-strong : t : =strong-acid : listed
 en! hydrochloric, muriatic, sulfuric, sulphuric, nitric, phosphoric, battery_acid, oxalic, formic, sulfamic, glacial_acetic, strong_acid.n, concentrated_acid, pool_acid, brick_acid, spirits_of_salt
 en? acetic_acid, some_acid
 en- acid_rain
 es! clorhidrico, muriatico, sulfurico, nitrico, fosforico, salfuman, agua_fuerte, aguafuerte, oxalico, formico, sulfamico, vitriolo, acido_de_bateria, acido_de_pilas, acido_fuerte, acido_concentrado, agua_regia
 es? acido_acetico
ammonia : t : +ammonia : listed
 en! ammonia, ammonium
 es! amoniaco, amonio, amonia
alcohol : t : +isopropyl-70 : listed
 en! rubbing_alcohol, isopropyl, isopropanol, ethanol, surgical_spirit, vodka, rum, gin, whisky, whiskey, brandy, hand_gel, hand_sanitiser, hand_sanitizer, perfume, aftershave, methanol
 en? alcohol, mouthwash, wine, beer, spirits
 en- alcohol_free, alcohol thermometer, in good spirits, spirits_up, wine_glass.n, wine_vinegar, ginger_beer, root_beer
 es! isopropilico, etanol, metanol, vodka, ron, aguardiente, ginebra, tequila, mezcal, coñac, whisky, gel_antibacterial, gel_hidroalcoholico, alcohol_en_gel, alcohol_de_farmacia, alcohol_de_curacion, perfume, agua_de_colonia, locion
 es? alcohol, enjuague_bucal, vino, cerveza
 es- termometro_de_alcohol, vinagre_de_alcohol, vinagre_de_vino, color_vino, copa_de_vino
fuel : t : +fuel-light : listed
 en! acetone, nail_polish_remover, nail_varnish_remover, paint_thinner, turpentine, turps, white_spirit, petrol, gasoline, kerosene, paraffin, lamp_oil, lighter_fluid, lighter_gas, diesel, mineral_spirits, methylated, meths, denatured_alcohol, naphtha, firelighter.n, fire_starter.n, white_gas, toluene, ether, brake_fluid, benzene
 en? fuel, solvent.n, nail_polish, nail_varnish
 en- paraffin_wax, fuel for .. body/muscles/plant, food .. fuel, water .. solvent.n, solvent .. water
 es! acetona, quitaesmalte.n, gasolina, nafta, queroseno, querosen, kerosen, diesel, gasoil, gasoleo, aguarras, trementina, tiner, thinner, disolvente.n, bencina, petroleo, parafina_liquida, alcohol_de_quemar, alcohol_desnaturalizado, gas_de_mechero, gas_para_encendedor, liquido_de_frenos, pastilla.n de_encendido, liquido_para_encendedor
 es? combustible.n, solvente.n, esmalte_de_uñas
 es- agua .. disolvente.n/solvente.n, disolvente .. agua
aerosol : t : spray-can : spray-can freezer-spray
 en! aerosol.n, hairspray, hair_spray, spray_can.n, spray_paint, deodorant, air_freshener.n, insect_spray, fly_spray, canned_air, air_duster.n, freezer_spray, body_spray
 en- spray_bottle.n, plant_sprayer.n, pump_spray .. water
 es! aerosol.n, laca, desodorante.n, ambientador.n, pintura_en_spray, spray_de_pelo, insecticida.n, fijador_de_pelo, spray_congelante, espray
 es? spray
 es- botella_de_spray, spray .. agua, agua .. spray
peroxide : t : +peroxide-3 : listed
 en! peroxide, hair_developer, cream_developer, percarbonate, oxygen_bleach, oxygen_cleaner, 20_volume, 30_volume, 40_volume
 en- peroxide_free
 es! agua_oxigenada, peroxido, percarbonato, agua .. oxigenada, 20_volumenes, 30_volumenes, 40_volumenes, crema_oxidante, revelador
very-cold : t : +dry-ice : freezer-spray close-dry-ice
 en! dry_ice, liquid_nitrogen, liquid_air, cold_spray
 en- dry ice_cube
 es! hielo_seco, nitrogeno_liquido, nieve_carbonica, spray_frio, hielo_carbonico
salt-ice : a : salt-ice : salt-ice
 en! salt .. ice $stop, ice .. and/with salt, salt .. on/onto/over/to/with/and .. ice, salted_ice, ice_and_salt
 en- ice_cube.n in .. salt_water, salt_water ice, ice .. salt_water
 es! sal .. hielo, hielo .. con/y sal
 es- hielo .. agua_con_sal, hielo en agua_salada
heat-maker : t : +calcium-chloride plaster cement : plaster cement plaster-on-body
 en! de_icer, deicer, ice_melt, calcium_chloride, moisture_trap, dehumidifier.n, damp_trap, hand_warmer.n, heat_pack.n, plaster_of_paris, plaster_powder, cement, concrete, antifreeze, self_heating, road_salt
 en- sticking_plaster.n, concrete example.n/answer.n, concrete idea
 es! anticongelante, descongelante, cloruro_de_calcio, deshumidificador.n, antihumedad, sal_de_carretera, calentador_de_manos, calentadores_de_manos, yeso, escayola, cemento, hormigon
 es- tiza .. yeso
dye : t : +food-colouring-liquid : listed
 en? food_colouring, food_coloring, dye.n, ink, stain.v, henna, hair_dye, fabric_dye, toner
 en- ink .. run.v, printer .. ink, pen .. ink, ink pen, stainless
 es? colorante.n, teñir.v, tinte.n, tinta.n, henna, manchar.v
 es- la/una/las/cada mancha/manchas, tinta .. corre*, tinta se, vino_tinto
iodine : t : +iodine-tincture : listed
 en! iodine, lugol, povidone
 en- iodised_salt, iodized_salt
 es! yodo, povidona, yodopovidona, lugol
 es- sal_yodada
slime-borax : t : +borax : listed
 en! borax, boric, contact_lens_solution, lens_solution, water_bead.n, gel_bead.n, jelly_ball.n, growing_ball.n
 en? slime
 en- slime trail.n, trail of_slime, snail .. slime, slime .. snail
 es! borax, borico, liquido_de_lentillas, liquido_para_lentes, perla.n de_agua, perla.n de_hidrogel, bolita.n de_gel, bolita.n de_hidrogel, hidrogel
 es? slime, moco_elastico
 es- baba .. caracol
medicine : t : =toxic-if-eaten : listed
 en! aspirin, paracetamol, ibuprofen, painkiller.n, laxative, pill.n, cough_syrup, sleeping_tablet.n, caffeine
 en? medicine, antacid.n, vitamin_tablet.n, tablet.n
 en- medicine cup.n/spoon.n/dropper/syringe/ball.n, no .. medicine, phone or_tablet, tablet or_phone, on .. tablet, your tablet, tablet computer.n/screen/camera, laptop or_tablet
 es! aspirina.n, paracetamol, ibuprofeno, laxante, pildora.n, jarabe_para_la_tos, cafeina
 es? medicina.n, medicamento.n, antiacido.n, pastilla.n
 es- vasito .. medicina, pastilla.n de jabon/chocolate/caldo, jeringa .. medicina
poison : t : =unknown =toxic-if-eaten : listed
 en! mothball.n, pesticide.n, insecticide.n, weedkiller, weed_killer, rat_poison, slug_pellet.n, lead_shot, lead_weight.n, lead_sinker.n, copper_sulfate, copper_sulphate, potassium_permanganate, mercury_thermometer.n, cigarette.n, tobacco, vape, poison, silica_gel, asbestos
 en? essential_oil.n, fertiliser, fertilizer, plant_food, alum, mercury
 en- mercury .. planet, planet .. mercury, poison number, poison advice, poison .. line, mercury venus
 es! naftalina, pesticida.n, herbicida.n, plaguicida.n, raticida, veneno.n, plomo, plomada.n, sulfato_de_cobre, permanganato, termometro_de_mercurio, cigarro.n, cigarrillo.n, tabaco, silica_gel, amianto, asbesto
 es? aceite_esencial, aceites_esenciales, fertilizante.n, abono, alumbre, mercurio
 es- planeta .. mercurio, mercurio .. venus, numero .. veneno.n
unlabelled : t : unlabelled : unlabelled
 en! unlabel*, no_label, without_a_label, label_missing, unknown powder/liquid/substance.n, mystery powder.n/liquid.n, unmarked bottle/jar/packet, any/whatever powder/liquid/bottle/you_find, old bottle .. shed/garage, from_the_garage, from_the_shed
 es! sin_etiqueta, desconocido.a, polvo_misterioso, liquido_misterioso, polvos_misteriosos, lo_que encuentres, cualquier polvo/liquido/botella, del_garaje, en_el_garaje, del_cobertizo
 es- valor desconocido.a, numero desconocido.a, peso desconocido, planta.n desconocida.a
decant : a : decant : decant label
 en? into .. drink/drinking/water/lemonade/juice/cola bottle
 es? en/a .. botella_de_agua/botella_de_refresco/botella_de_jugo/botella_de_zumo
 es- medio_litro
metal-acid : a : =acid-metal : listed
 en! zinc, galvani*, magnesium_ribbon, magnesium_strip, fire_steel, aluminium/aluminum/foil .. in/into .. vinegar/lemon/acid/soda/lye
 es! zinc, cinc, galvaniz*, cinta_de_magnesio, aluminio .. en .. vinagre/limon/acido/sosa

# Mouth, breath, skin, body

@eaters en = snail.n/bird.n/plant.n/bean.n/animal.n/worm.n/woodlouse/woodlice/caterpillar.n/insect.n/they/yeast/root.n/leaf/leaves/paper/sponge/it_will/seed.n/slug.n/which_food/mould/towel
@eaters es = caracol.n/pajaro.n/ave.n/planta.n/judia.n/frijol.n/animal.n/lombriz/lombrices/gusano.n/insecto.n/levadura.n/raiz/raices/hoja.n/papel/esponja/semilla.n/babosa.n/oruga.n/cochinilla.n

taste : a : taste : taste
 en! taste.v, eat.v, drink.v it/them/some/the/up/from/a_little/half/all, sip.v, nibble.v, swallow.v, try.v .. bite/sip/mouthful, take.v .. bite/sip/mouthful, have.v .. taste/bite/sip/sweet, gargle.v
 en? chew.v, drink.v, serve.v it/them/the/with, snack.n, bite.v, lunch, yummy
 en- drinking glass*/straw.n/bottle.n/water/cup.n/fountain, fizzy/soft/plant/soy/oat/cola/hot/sports drink.n, drink bottle.n/can.n/carton.n, drinks can/bottle, $eaters .. eat.v/drink.v/taste.v, eat.v .. by .. snail.n, eating_spoon.n, tasteless, matter_of_taste, before/after/not_for eating, before you eat, snail food, eat.v .. leaf .. snail, what .. snail.n .. eat, bite_size, for_eating, bite off, leaf .. eaten, eaten leaf, taste_bud.n, a drink.n can, snack_bag.n, lunch_box.n, lunch_bag.n, drink carton, after_lunch, before_lunch, at_lunch, lunch_time, lunchtime
 es! probar.v .. sabor/poquito/trocito/pedacito/bocado/cucharada/cucharadita/lengua/limon/jugo/zumo/azucar/sal/mezcla/masa/galleta/agua, saborear.v, degustar.v, catar.v, comer.v, beber.v, tomar.v .. un_sorbo/un_trago/un_bocado/un_poco/la_leche/el_jugo, tragar.v, pruebalo/pruebala/pruebalos/pruebalas, a_que_sabe, que_sabor, dar.v .. un_sorbo/un_trago/una_mordida/un_bocado, buen_provecho
 es? masticar.v, morder.v, servir.v .. mesa/plato, merienda
 es- prueba/pruebe/prueben/probar con/otra/de_nuevo, una_prueba/la_prueba/esta_prueba, $eaters .. comer.v/beber.v, comer.v .. caracol.n, comida.n, antes/despues/hora/cuchara de_comer, # coma #, coma_decimal, comas_decimales, punto_y_coma, con_coma, que/cuanto/cual .. comer.v .. caracol.n, para_beber, vaso .. beber, agua_potable, beber.v .. judias, pajita_de_beber, beber.v .. $eaters, lo_que beben/comen, que comen, bebida.n de
lick : a : tongue-on-metal taste : taste tongue-on-metal
 en! lick.v, tongue.n, put.v/hold.v/place.v/keep.v .. in/into/between .. mouth/teeth/lips, in_your_mouth, suck.v .. ice/sweet/lolly
 en- mouth_of .. bottle/jar/balloon/river/bag/tube, river_mouth, tongue_twister.n, mother_tongue, shoe .. tongue, bottle .. mouth
 es! lamer.v, chupar.v, lengua, meter.v/poner.v/llevar.v/tener.v/sostener.v .. boca, entre_los_dientes, en_la_boca
 es- poner.v/quedar.v .. boca_abajo/boca_arriba, lengua_materna, clase_de_lengua, en_tu_lengua, lengua_española, boca_abajo, boca_arriba, boca del/de_la frasco/botella/globo/tarro/bolsa/bote, boca .. botella/frasco/globo/tarro, en_otra_lengua
suck : a : suck : suck
 en! suck.v .. straw/tube/pipe/mouth, siphon.v, syphon.v, mouth_pipett*, sip.v .. straw, suck.v up .. with_your_mouth/with_a_straw, drink.v through
 en? suck.v
 en- suck.v .. with .. pipette/dropper/syringe, paper/towel/sponge/dropper/pipette/syringe/plant/root.n .. suck.v
 es! succionar.v, sifon*, sorber.v, aspirar.v .. pajita/popote/sorbete/boca/tubo, chupar.v .. pajita/popote
 es? aspirar.v
 es- aspirar.v .. jeringa/gotero/pipeta/cuentagotas, aspiradora.n
straw-blow : a : blow-straw : blow-straw
 en! blow.v .. through/into/down/across/over .. straw.n/tube.n/pipe.n/bottle.n/hose
 en? blow.v on/over/hard/gently/it/across
 en- blow.v .. nose, wind .. blow.v, blow.v .. whistle, fan .. blow.v, blow.v .. pinwheel/paper/strip/sail/boat/feather/leaf/balloon/ping/windmill
 es! soplar.v .. pajita.n/popote.n/sorbete.n/tubo.n/botella.n/manguera/bombilla.n
 es? soplar.v
 es- viento .. soplar.v, secador .. soplar.v, ventilador .. soplar.v, soplar.v .. rehilete/molinete/papel/tira/vela/barco/pluma/hoja
straw-share : a : share-straw : share-straw
 en! share.v .. straw.n, same_straw, straw .. take.v_turns, turns .. straw
 en- same straw length, same straw.n .. long
 es! compartir.v .. pajita.n/popote.n, misma_pajita, mismo_popote, por_turnos .. pajita/popote, turnarse .. popote/pajita
nose-ear : a : =mouth/nose-ear : small-things
 en! in/into/up/inside .. nose/nostril.n/ear^ $stop, put.v/push.v/stick.v .. ear.n/nose/nostril.n
 en- put.v .. ear.n .. to/on/against/near, put.v .. by_ear, by ear, nose_clip, ear of_corn
 es! meter.v/poner.v/introducir.v .. en/dentro .. nariz/oreja.n/oido.n, en_la_nariz, en_el_oido
 es- poner.v .. oreja/oido .. contra/sobre/pegad*, oido.n .. mesa
breath : a : hold-breath overbreathe : hold-breath overbreathe
 en! hold.v .. breath, breath_hold*, hyperventilat*, breathe.v .. fast/quickly/rapidly/deep/deeply/hard/into .. bag, breathe.v as, breathe.v .. bag, breathe_in_and_out .. quickly/fast/times/bag, pant.v, until .. dizzy, faint.v
 en? breathe.v .. through/into/on/out, breath.n
 en- leaf/leaves/plant.n/skin/worm.n/frog.n .. breathe.v, breathe.v .. normally/calmly, a breath of, breathable, deep breath .. relax, smell .. faint, faint line.n/smell/colour/ring/mark, leaf .. breathe.v, way to_breathe, breathe out water
 es! aguantar.v/contener.v/retener.v .. respiracion/aliento/el_aire, hiperventil*, respirar.v .. rapido/deprisa/hondo/profund*/fuerte/bolsa/agitad*, jadear.v, hasta .. marear.v/mareo, desmayar.v
 es? respirar.v, aliento
 es- hoja.n/planta.n/piel/lombriz/rana .. respirar.v, respirar.v .. normal*/calma/tranquil*, contener.v .. agua/gluten/leche/huevo, respiracion .. hoja/planta
bag-face : a : bag-over-face : bag-over-face
 en! bag/film/plastic/balloon/cling_film/cover.v .. over/on/around .. head/face/mouth/nose, put.v .. head .. in/into/inside, over_your face/mouth/nose
 en- hold.v .. over_your_head, above .. head, face_mask.n, over_your_head
 es! bolsa/plastico/film/globo .. en/sobre/por .. cabeza/cara/boca/nariz, meter.v .. cabeza .. en, tapar.v/cubrir.v .. cara/boca/nariz
 es- sobre_tu_cabeza, boca .. botella/frasco/bolsa, cubrebocas
smell : a : smell* : smell
 en? smell.v, sniff.v, inhale.v, breathe.v_in, waft.v
 en- bad_smell, smell_of, if .. smell.v
 es? oler.v, olfatear.v, inhalar.v, esnifar.v
 es- mal_olor, si .. oler.v, si huele
skin : a : on-skin* : on-skin
 en! apply.v/rub.v/spread.v/paint.v/drip.v/dab.v/smear.v/put.v/pour.v/hold.v/press.v/lay.v/tape.v .. on/onto/into/to/against/over/across .. skin/face/lip.n/cheek.n/wrist/eyelid.n/forearm/arm/tongue/back_of_your_hand, ice/salt/sticker .. on/onto/in .. hand/skin/arm/palm, temporary_tattoo.n, make_up, face_paint
 en? put.v/hold.v/dip.v .. hand.n/finger.n .. in/into .. water/ice/bowl/oil
 en- skin of .. fruit/potato/milk/onion/bean.n/tomato/orange/apple, in .. hand and, if .. skin, wash.v .. skin, rinse.v .. skin, banana/onion/potato/lemon skin, cover .. face, make up your/the/for
 es! aplicar.v/frotar.v/untar.v/extender.v/pintar.v/poner.v/echar.v/gotear.v/colocar.v/sostener.v/pegar.v .. piel/cara/brazo/labio.n/mejilla.n/muñeca.n/parpado.n/dorso_de_la_mano/antebrazo, hielo/sal .. en/sobre .. mano/piel/brazo, maquillaje, pintura_de_cara, tatuaje.n temporal*
 es? meter.v/poner.v/sumergir.v .. mano.n/dedo.n .. en .. agua/hielo/tazon/aceite
 es- piel .. fruta/papa/patata/leche/cebolla/frijol/judia/naranja/limon/manzana, si .. piel, lavar.v .. piel, enjuagar.v .. piel
eyes : a : on-skin* : on-skin
 en! in/into/near/onto .. eye/eyes^, put.v/drip.v/rub.v .. eye.n, contact_lens $stop, contact_lenses
 en- if .. eye.n, eye_level, at eye.n, keep.v .. eye.n, out_of .. eye.n, get.v .. in .. eye.n, splash.v .. eye.n, in .. bird .. eye, with .. eye.n, your eye at/level, eye.n to_eye, beans .. eye, blink of, sting.v .. eye.n
 es! echar.v/poner.v/gotear.v/frotar.v/meter.v .. ojo.n, lente.n de_contacto, lentilla.n
 es- si .. ojo.n, altura_de_los_ojos, salpicar.v .. ojo.n, caer.v .. ojo.n, poner.v .. ojo.n a_la_altura, liquido_de_lentillas
exercise : a : exercise : exercise
 en? pulse, heart_rate, heartbeat.n, run.v on_the_spot/in_place/up/around/laps/as_fast/upstairs, run.v for # minute.n, star_jump.n, jumping_jack.n, jump.v, squat.n, sprint.v, skipping, push_up.n, sit_up.n, spin.v around/round/on_the_spot/yourself, on_one_leg, dizzy, exercise.v, dance.v
 en- number.n .. jump.v, reading .. jump.v, jump.v to, pulse of_light, red/pulse lentil.n, spin_the, jump ahead
 es? pulso, frecuencia_cardiaca, latido.n, ritmo_cardiaco, saltar.v, correr.v en_el_sitio/en_el_lugar/vuelta.n/escalera.n/alrededor/lo_mas, correr.v .. minuto.n/patio/vueltas, sentadilla.n, brincar.v, dar.v .. vueltas .. sobre, a_la_pata_coja, en_un_pie, hacer.v .. ejercicio, bailar.v
 es- numero .. saltar.v, saltar.v .. paso/linea/numero/pagina, saltarse, agua_corriente, tinta .. correr.v, saltar.v .. tapa/tapon/corcho, tapa/tapon .. saltar.v, correr.v .. cronometro/reloj/tiempo, aceite .. saltar.v
body-state : a : eyes-closed* fasting* : eyes-closed fasting
 en! blindfold.n, blindfold.v, eyes_closed .. walk, walk.v .. eyes_closed, skip.v breakfast/lunch/dinner/a_meal, stay.v up/awake .. night/late, go.v without_sleep, no_sleep, empty_stomach, close.v/shut.v/cover.v .. eyes .. walk.v/run.v/jump.v/climb.v, eyes shut/covered .. walk.v, bag/box/bucket/blanket/towel .. over .. head .. walk.v, go.v .. hungry
 es! vendar.v .. ojo.n, ojos_vendados, ojos_cerrados .. caminar.v, caminar.v .. ojos_cerrados, en_ayunas, ayunar.v, sin_dormir, sin_desayunar, desvelar.v, toda_la_noche despierto.a, cerrar.v/tapar.v .. ojos .. caminar.v/correr.v/saltar.v, ojos tapados .. caminar.v, no desayunar.v/desayunes/desayune/desayunen, no comer.v .. antes, saltar.v .. desayuno/comida
body-fluid : t : culture : culture
 en! saliva, spit, blood, urine, pee, faeces, feces, poo, swab.v, swab.n .. cheek/mouth/nose/door/toilet/phone/skin/hand.n/sink, cheek_cell.n, finger_prick, sweat, snot, spit.v
 en- blood_orange.n, blood_red, blood_pressure chart, spit_roast
 es! saliva, sangre, orina, pipi, heces, caca, popo, escupir.v, hisopo.n .. boca/mejilla/nariz/piel/puerta/inodoro/telefono, celulas_de_la_mejilla, sudor, moco.n
 es- rojo_sangre, naranja_sangre, color_sangre, moco_elastico

# Living things, food

allergen : t : =allergen/named : listed
 en? peanut.n, almond.n, hazelnut.n, walnut.n, cashew.n, pecan.n, pistachio.n, nut.n, sesame, tahini, egg.n, eggshell.n, milk, cheese, yogurt, yoghurt, butter, cream, wheat, flour, bread, pasta, oats, barley, gluten, soy, soya, tofu, prawn.n, shrimp, crab, mussel.n, shellfish, raw_fish, celery, mustard, lupin, sulphite.n, latex, pollen, feather.n, cat_hair, dog_hair, fur, dough, biscuit.n, cookie.n, cake, chocolate
 en- nut and_bolt/and_the_bolt, nuts_and_bolts, steel nut.n, nut m8, hex_nut.n, hand_cream, cream colour*, egg box/carton/cup/timer, egg_timer.n, eggbox, milk tooth/teeth, milk_white, milky_way, milk bottle .. empty, empty milk, bread bag/bin/clip, piece_of_cake, cake_tin.n, flour dust .. phone, butter dish, butter_knife, butterfly, chocolate_brown, cookie jar/cutter, biscuit_tin.n, cream_coloured
 es? nuez, nueces, cacahuate.n, cacahuete.n, mani, almendra.n, avellana.n, anacardo.n, pistacho.n, sesamo, ajonjoli, huevo.n, cascara_de_huevo, leche, queso, yogur, mantequilla, crema, nata, trigo, harina, pan, pasta, avena, cebada, gluten, soja, soya, camaron.n, cangrejo.n, mejillon.n, marisco.n, pescado, apio, mostaza, altramuz, sulfito.n, latex, polen, pluma.n de_ave, plumas, pelo_de_gato, pelo_de_perro, masa_de_pan, galleta.n, pastel, chocolate
 es- carton_de_leche vacio, diente.n de_leche, crema_de_manos, color_crema, huevera.n, caja_de_huevos, pasta_de_dientes, pasta_dura, reloj .. huevo, via_lactea, tuerca
pet : a : touch-vertebrate : touch-vertebrate
 en! touch.v/hold.v/feed.v/stroke.v/pick_up/pick.v_up/catch.v/weigh.v/put.v/test.v/give.v/let.v/measure.v .. cat/dog/hamster/rabbit/guinea_pig/parrot/goldfish/tortoise/pet/hen/horse/frog/lizard/mouse/bird, on .. your_cat/your_dog/your_pet/the_dog/the_cat, your cat/dog/hamster/rabbit
 en- feed.v .. bird_feeder, keep.v .. cat/dog/pet.n .. out/away/off/from, let .. cat/dog/pet .. out, mouse .. computer/click, put.v .. out_of_reach .. pet.n, away from .. pet.n, reach of .. pet.n/dog/cat, bird_table, put.v .. high .. pet.n, computer mouse, put.v .. dog .. another room
 es! tocar.v/sostener.v/alimentar.v/acariciar.v/atrapar.v/pesar.v/poner.v/dar.v/medir.v/probar.v .. gato/perro/hamster/conejo/cobaya/cuy/loro/tortuga/mascota/gallina/caballo/rana/lagartija/raton/pez/pajaro, tu gato/perro/mascota/hamster/conejo, dejar.v .. perro.n/gato.n/mascota.n, perro.n/gato.n .. elegir/elija/elige
 es- poner.v .. lejos .. mascota.n, fuera .. alcance .. mascota.n, sin .. mascota.n, poner.v .. alto .. mascota.n, raton_de_la_computadora, comedero_de_pajaros, clic .. raton, alcance .. mascota.n
small-animal : t : handle-animal watch-animal : handle-animal watch-animal
 en! collect.v/catch.v/pick.v_up/pick_up/touch.v/hold.v/lift.v/put.v/place.v .. snail.n/slug.n/woodlouse/woodlice/worm.n/earthworm.n/mealworm.n/beetle.n/caterpillar.n/ladybird.n/butterfly/insect.n/bug.n/tadpole.n
 en? snail.n, slug.n, woodlouse, woodlice, earthworm.n, mealworm.n, beetle.n, caterpillar.n, ladybird.n, insect.n, tadpole.n, worm.n
 en- snail shell picture, bug in .. program, insect drawing, computer worm
 es! recoger.v/atrapar.v/cazar.v/tocar.v/coger.v/agarrar.v/sostener.v/poner.v/colocar.v .. caracol.n/babosa.n/cochinilla.n/lombriz/lombrices/gusano.n/escarabajo.n/oruga.n/mariquita.n/catarina.n/mariposa.n/insecto.n/bicho.n/renacuajo.n
 es? caracol.n, babosa.n, cochinilla.n, lombriz, lombrices, gusano.n, escarabajo.n, oruga.n, mariquita.n, insecto.n, bicho.n
 es- caracol de_pasta, escalera_de_caracol
stinger : t : +animal-biting : touch-vertebrate
 en! bee.n, wasp.n, hornet.n, ant.n, ants_nest, spider.n, scorpion.n, jellyfish, centipede.n, mosquito.n, bumblebee.n
 en- spelling_bee, spider diagram.n/chart/plant.n, spider_web.n picture, ant size
 es! abeja.n, avispa.n, abejorro.n, hormiga.n, hormiguero.n, araña.n, alacran.n, escorpion.n, medusa.n, ciempies, mosquito.n, garrapata.n
wild-plant : t : unknown-plant : unknown-plant
 en! wild berry/berries/mushroom.n/plant.n/fruit.n/flower.n/garlic, toadstool.n, mushroom.n, pick.v/collect.v/gather.v/find.v .. berry/berries/leaf/leaves/flower.n/seeds/plant.n/moss/bark, forage.v, nettle.n, ivy, holly, mistletoe, yew, laburnum, oleander, nightshade, castor_bean.n, unknown plant.n, berry/berries from, leaf/leaves/flower.n from .. garden/park/hedge/moor/outside/woods
 en? berries
 en- mushroom shape*, mushroom_soup, tea_leaves, collect.v .. result.n/number.n, sheet .. leaves, dead_leaves
 es! silvestre.a, hongo.n, seta.n, baya.n, recoger.v/recolectar.v/buscar.v/coger.v/juntar.v .. hoja.n/flor.n/planta.n/baya.n/semilla.n/corteza/musgo, ortiga.n, hiedra.n, acebo, adelfa.n, muerdago, ricino, planta.n desconocida.a, hoja.n/flor.n .. del_jardin/del_parque/del_campo/del_bosque
 es- recoger.v .. hoja.n .. papel, juntar.v .. hoja.n .. cinta/pegamento/clip, recoger.v .. hoja.n de_respuesta.n, forma_de_hongo, hoja.n de_papel, hojas_secas_de_te
microbe : a : culture grow-mould : culture grow-mould
 en! bacteria, bacterium, microbe.n, petri, petri_dish*, agar, agar_plate.n, culture.v, incubat*, mouldy, moldy, grow.v .. mould/mold/germ.n/fungus, mould/mold .. grow.v/bread/spots, rotten, rot.v, toilet_seat
 en? germ.n, mould $stop, mold $stop, swab.v, cotton_bud .. door/handle/phone/mouth/tongue/toilet/hand
 en- wheat_germ, jelly_mould.n, cake_mould.n, ice_mould.n, mould the/it_into/clay, mould.n for .. ice, silicone mould, culture and, other_cultures, ice_cube_mould
 es! bacteria.n, microbio.n, placa.n de_petri, petri, agar, incubar.v, moho, mohoso.a, podrido.a, pudrir.v, cultivar.v .. bacteria.n/microbio.n/hongo.n/germen, caldo_de_cultivo, asiento_del_inodoro, taza_del_baño
 es? germen, germenes, hisopo.n .. manija/perilla/puerta/telefono/boca/lengua/mano/inodoro, frotis
 es- germen_de_trigo
raw-food : t : =microbe/germs : listed
 en! raw_meat, raw_chicken, raw_egg.n, raw_liver, raw_fish, uncooked_meat, mince_meat, uncooked_egg.n
 es! carne_cruda, pollo_crudo, huevo.n crudo.n, higado_crudo, pescado_crudo, carne_molida
soil : t : soil : soil
 en? soil, compost, manure, dung, mud, dig.v, dirt
 en- into/in/on/onto .. compost, compost_bin, compost_heap .. bin
 es? tierra_para_macetas, tierra .. jardin/patio/parque/bosque/maceta.n, puñado_de_tierra, composta, estiercol, abono, lodo, cavar.v, sustrato
 es- a_la_composta, al_compost, en la composta
toxic-food : t : =toxic-if-eaten : listed
 en! raw/red/uncooked kidney_bean.n, castor, green_potato*, rhubarb_leaves, apricot_kernel.n, peach_stone.n, cherry_stone.n, apple_pip.n, nutmeg
 es! frijol.n/judia.n/alubia.n rojo.a crudo.a, frijol.n rojo.n, judia.n roja.n, ricino, papa_verde, patata_verde, hueso.n de_cereza/de_durazno/de_albaricoque/de_melocoton, hojas_de_ruibarbo, nuez_moscada

# Water, place, people

deep-water : a : deep-water : deep-water
 en! in/into/fill.v .. bath/bathtub/tub/paddling_pool/pool/bucket/basin/washtub, bathtub.n, paddling_pool.n, swimming_pool.n, swim.v, head/face .. under/into .. water, under_water .. head
 en- seal.n/fish/duck.n/frog.n .. swim.v, water_bath, ice_bath, bath towel/salt*/toy.n/mat/scale.n/plug, tub of .. butter/margarine/yogurt/yoghurt, pool .. result.n/number.n, margarine_tub.n, yogurt_tub.n, into .. bin .. tub, swim_goggles, swimming_goggles, goggles .. swim
 es! bañera.n, tina.n, alberca.n, piscina.n, cubeta.n, balde.n, cubo_de_agua, palangana, barreño, nadar.v, bucear.v, sumergir.v .. cabeza/cara, llenar.v .. pileta
 es- baño_maria, gafas .. nadar, goggles .. nadar, gafas_de_nadar
open-water : t : outdoors-edge deep-water : deep-water outdoors-edge
 en! pond.n, river.n, lake.n, canal.n, sea_shore, seashore, rock_pool.n, stream.n $stop, beach, reservoir
 en- sea_salt, stream of .. water/air/bubbles, pond/river .. picture/drawing, river .. map, beach_ball.n, like a river
 es! estanque.n, rio, lago.n, laguna.n, arroyo.n, playa, acequia.n, presa, embalse.n, orilla
 es- mapa .. rio, pelota_de_playa, orilla del_papel/de_la_mesa/de_la_hoja
road : a : road* : road
 en! road.n, street.n, traffic, car_park, railway, driveway, roundabout, cross.v_the road/street, busy_road
 en? pavement, sidewalk
 en- road_salt, toy_road, paper road, sidewalk_chalk, pavement_chalk, traffic_light colour*, street_name, railway .. model, cardboard road
 es! calle.n, carretera.n, trafico, estacionamiento, vias_del_tren, cruzar.v .. calle/avenida, avenida.n
 es? banqueta.n, acera.n
 es- sal_de_carretera, carretera de_juguete/de_papel/de_carton, nombre_de_la_calle
night-weather : a : outdoors-edge* : outdoors-edge outdoors-storm
 en! storm.n, thunder*, lightning, icy, frozen pond/lake/river/puddle.n, after_dark, kite.n, heatwave, outside .. at_night, at_night .. outside/garden/street, walk.v .. in_the_dark, in/into the snow^ $stop, icicle.n
 en? at_night, in_the_dark, moon, stars, fog
 en- in_the_dark cupboard/drawer/box/place, in_a_dark, kite shape*, kite_shaped, star shape*, star_shaped, paper star.n, moon shape*, moon_shaped, brainstorm*, drawing of .. moon, kept/stays/stored/stand/stands/box .. in_the_dark, grow.v .. in_the_dark
 es! tormenta.n, trueno.n, relampago.n, granizo, de_noche .. fuera/afuera/jardin/calle, papalote.n, barrilete.n, cometa.n .. volar.v, volar.v .. cometa.n/papalote.n, hielo .. calle/lago/estanque, ola_de_calor, caminar.v .. oscuridad, en_la_nieve, caranbano.n, carambano.n
 es? de_noche, en_la_oscuridad, luna, estrellas, niebla
 es- forma_de_cometa, forma_de_luna, estrella.n de_papel, lluvia_de_ideas, dibujo .. luna, guardar.v .. en_la_oscuridad
go-out : a : outdoors-away* : outdoors outdoors-away outdoors-edge
 en! go.v/walk.v/run.v/ride.v .. to/into/in/around .. park/forest/woods/beach/shop/river/moor/field/playground/neighbour*, go.v outside/outdoors/out alone
 en? outdoors, go.v outside
 en- outside of, the_outside, on_the_outside, outside_edge, go on
 es! ir.v/ve/vaya/vayan/caminar.v/salir.v .. a/al/hasta/por .. parque/bosque/playa/tienda/rio/campo/patio_de_juegos/vecin*, salir.v .. solo.a
 es? al_aire_libre, salir.v_afuera, afuera
 es- salir.v .. agua/gas/burbuja.n, hacia_afuera, ve a_la pagina
electronics-near : a : electronics-near : electronics-near
 en? phone/laptop/computer .. next_to/beside/over/above/under/in/into/inside .. water/sink/bath/rain/bowl/jar, phone .. zip_bag
 en- away from .. phone/computer/laptop
 es? telefono/celular/movil/computadora/portatil .. junto/sobre/encima/dentro/bajo .. agua/fregadero/lluvia/tazon/frasco
stand : a : stand : stand
 en? leave.v/stand.v/keep.v .. overnight/until_tomorrow/until_morning/for_a_day/for_a_week/over_the_weekend/for # day.n/for # hour.n, overnight
 es? dejar.v/reposar.v .. toda_la_noche/hasta_mañana/una_semana/el_fin_de_semana/# dia.n/# hora.n, toda_la_noche, de_un_dia_para_otro
unattended : a : unattended* : listed
 en! leave.v .. unattended/burning/switched_on/boiling/running/heating/cooking, leave.v .. on .. and_go, go.v_away .. while, leave.v_the_room .. while
 en- leave.v .. timer .. running, leave.v .. clock/stopwatch/page/app running, leave.v .. clock
 es! dejar.v .. encendido.a/prendido.a/ardiendo/hirviendo/cociendo/sin_vigilancia/sin_vigilar/desatendido.a, salir.v_del_cuarto .. mientras, irse/vete .. mientras
 es- dejar.v .. telefono/camara/cronometro/timer/pantalla .. encendido.a/prendido.a
alone : a : =people-home/no-adult : listed
 en! without an/any/your/a^ adult.n/grown_up.n/parent.n/guardian.n, no_adult needed/necessary, adult .. not_needed, nobody_is home/looking, no_one_is home/looking, while .. parents .. out/away/asleep, secretly, do_not_tell, when .. parents .. out/away/asleep
 en- never/not/nobody/no_one .. without an/any/your/a adult.n/grown_up.n
 es! sin un/ningun/tu/tus^ adulto.n/papas/padres/mama/papa/persona_adulta, sin_adultos, no_hay nadie, no_haya nadie, a_escondidas, en_secreto, sin_que .. vea*/sepa*, no_le_digas, no_se_lo_digas, cuando .. papas/padres .. salgan/duerman/no_esten
 es- nunca/no/nadie/jamas .. sin un/una/ningun adulto.n/adulta
faces : a : =privacy/faces : listed
 en! selfie.n, photo.n/picture.n/video.n/film/clip/photograph.n/record.v/show.v .. face.n/yourself/of_you/you_doing/brother/sister/mum/dad/mother/father/family/your_child/voice.n, film.v .. yourself/each_other/brother/sister, smile .. camera, show.v .. your_name/your_address, photo of .. student.n
 en- clock face.n, cube face.n, face.n of .. cube/clock/dice/coin/die, without/no/not .. face.n, face.n down/up, no_faces, face_down, face_up, hands_only
 es! selfi*, foto.n/video.n/clip/grabar.v/filmar.v/mostrar.v .. cara.n/rostro.n/contigo/a_ti/hermano.n/hermana.n/mama/papa/familia/voz, grabate/filmate/grabarte/filmarte/grabarse, sonreir.v .. camara, mostrar.v .. tu_nombre/tu_direccion, foto .. tuya
 es- cara.n del/de_la cubo/reloj/dado/moneda/hoja, sin/no .. cara.n, cara .. arriba/abajo, caras no, solo_manos, cara.n de_papel
home-inside : a : home-inside* : home-inside listed
 en! tour of .. kitchen/room/house/home/fridge, photo.n/picture.n/video.n/film.v/clip of .. bedroom/bathroom/kitchen/house/home/fridge/street/front_door/living_room/cupboard
 en- photo.n of .. kitchen scale/timer/roll/table/sink/spoon
 es! recorrido .. casa/cocina/cuarto, foto.n/video.n/filmar.v/grabar.v .. de_tu/tu/de_la cuarto/recamara/habitacion/baño/cocina/casa/refrigerador/nevera/calle/puerta/sala/alacena
 es- foto.n .. bascula_de_cocina/papel_de_cocina/mesa_de_la_cocina/reloj_de_cocina
body-data : a : body-data* : body-data listed
 en! weigh.v/measure.v yourself/your_brother/your_sister/your_weight/your_waist, body_weight, bmi, bathroom_scale .. yourself, your_weight, how_much .. you_weigh
 es! pesate/pesarte/pesese/pesarse, tu_peso, peso_corporal, imc, medir.v .. tu_cintura/tu_peso, cuanto_pesas, cuanto pesas_tu
