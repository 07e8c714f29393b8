// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/gear_library.h"

#include "core/support.h"
#include "project/library.h"

using namespace yemvo;

TEST_CASE("a library of gear goes through its file unchanged, without ids") {
    GearLibrary library{standard_models(), standard_antennas(), standard_cables(), {}};
    const GearLibrary again = gear_from_json(gear_to_json(library), "gear.json");
    CHECK(again.models == library.models);
    CHECK(again.antennas == library.antennas);
    CHECK(again.cables == library.cables);
    CHECK(again.warnings.empty());
    library.models[0].id = ModelId{77};
    CHECK(gear_to_json(library).find("77") == std::string::npos);
}

TEST_CASE("a library with faults is refused by its place; fields that nobody knows are told") {
    const std::string good = gear_to_json({standard_models(), {}, {}, {}});
    const auto changed = [&](const char* from, const char* to) {
        std::string text = good;
        text.replace(text.find(from), std::string_view(from).size(), to);
        return text;
    };
    CHECK_THROWS_WITH(gear_from_json("{", "gear.json"), Catch::Contains("gear.json"));
    CHECK_THROWS_WITH(gear_from_json(changed("yemvo-gear", "other"), "g.json"),
                      Catch::Contains("yemvo-gear"));
    CHECK_THROWS_WITH(gear_from_json(changed("\"version\": 1", "\"version\": 9"), "g.json"),
                      Catch::Contains("newer"));
    CHECK_THROWS_WITH(gear_from_json(changed("\"transmit\": 2", "\"transmit\": -2"), "g.json"),
                      Catch::Contains("models[0].radios[0].bands[0].chains.transmit"));
    CHECK_THROWS_WITH(gear_from_json(changed("\"ceiling\"", "\"moon\""), "g.json"), Catch::Contains("moon"));
    const GearLibrary odd = gear_from_json(changed("\"weight_kg\"", "\"weigth_kg\""), "g.json");
    REQUIRE(odd.warnings.size() == 1);
    CHECK_THAT(odd.warnings[0].english(), Catch::Contains("models[0]") && Catch::Contains("weigth_kg"));
}

TEST_CASE("chains are read as sheets write them") {
    CHECK(parse_chains("4x4:4") == Chains{4, 4, 4});
    CHECK(parse_chains("4×4:3") == Chains{4, 4, 3});
    CHECK(parse_chains("2 x 4") == Chains{2, 4, 2});
    CHECK(parse_chains("3") == Chains{3, 3, 3});
    CHECK_FALSE(parse_chains("many"));
    CHECK_FALSE(parse_chains("1:2:3:4"));
    CHECK_FALSE(parse_chains("99999999999999"));
}

TEST_CASE("models of a table: rows of one key are radios and bands of one model; faults tell their line") {
    const std::string head =
        "key,name,mount,radio,band_ghz,standard,chains,widest_mhz,power_low_dbm,power_high_dbm,gain_dbi,"
        "source,watts\n";
    const auto models = models_from_csv("# made up\n" + head +
                                            "a,A,ceiling,1,2.4,ax,2,20,4,20,3,at,20\n"
                                            "a,A,ceiling,2,5,ax,4x4:4,80,4,23,4,at,20\n"
                                            "a,A,ceiling,2,6,be,4x4:4,160,4,22,4.5,at,20\n"
                                            "b,B,wall,1,5,be,2,80,4,20,7,,\n",
                                        "t.csv");
    REQUIRE(models.size() == 2);
    REQUIRE(models[0].radios.size() == 2);
    CHECK(models[0].radios[1].bands.size() == 2);
    CHECK(models[0].power[0].source == PowerSource::at);
    CHECK(models[1].power.empty());
    // a lobe that its gain fits
    CHECK(directivity_dbi(models[1].radios[0].bands[0].antenna.lobe) >= 7);
    CHECK_THROWS_WITH(models_from_csv("key,name\na,A\n", "t.csv"), Catch::Contains("no column 'mount'"));
    CHECK_THROWS_WITH(models_from_csv(head + "a,A,ceiling,1,2.4,ax,2,20,4,loud,3,,\n", "t.csv"),
                      Catch::Contains("line 2") && Catch::Contains("loud"));
    CHECK_THROWS_WITH(models_from_csv(head + "a,A,ceiling,1,7,ax,2,20,4,20,3,,\n", "t.csv"),
                      Catch::Contains("line 2") && Catch::Contains("band_ghz"));
    CHECK_THROWS_WITH(models_from_csv(head + "a,A,ceiling,1,5,ax,2,20,4,2000,3,,\n", "t.csv"),
                      Catch::Contains("line 2") && Catch::Contains("highest power"));
    CHECK_THROWS_AS(models_from_csv("", "t.csv"), Error);
    CHECK_THROWS_AS(models_from_csv(head, "t.csv"), Error);
}
