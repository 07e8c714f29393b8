// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/gear_edits.h"

#include "antenna/pattern/measured_pattern.h"
#include "core/support.h"
#include "project/clipping.h"
#include "project/json_project.h"
#include "project/rules.h"
#include "project/storage.h"
#include "project/validation.h"

using namespace yemvo;
using namespace yemvo::test;

namespace {

const AccessPointModel& keyed(const Project& p, std::string_view key) {
    for (const AccessPointModel& m : *p.models)
        if (m.key == key) return m;
    throw std::logic_error("no such model");
}

AccessPointId placed(Project& p, std::string_view key) {
    return add_access_point(p, floor_at(p, 0), keyed(p, key).id, {5, 5});
}

const AccessPoint& ap_of(const Project& p, AccessPointId id) {
    return *find_access_point(p, floor_at(p, 0), id);
}

std::string all_of(const std::vector<Said>& sentences) {
    std::string text;
    for (const Said& s : sentences) text += s.english() + "\n";
    return text;
}

}  // namespace

TEST_CASE("another model keeps place, aim and what its radios can do, and tells the rest") {
    Project p = one_floor();
    const AccessPointId id = placed(p, "ceiling-tri");
    AccessPoint ap = ap_of(p, id);
    ap.azimuth_deg = 33;
    ap.downtilt_deg = 5;
    ap.height_m = 2.6;
    ap.radios[1].channel = {band_5, 50, 160};
    ap.radios[1].primary = 44;
    ap.radios[1].power_dbm = 23;
    ap.radios[0].on = false;
    replace_access_point(p, floor_at(p, 0), ap);

    const auto changes = set_model(p, {id}, keyed(p, "ceiling-entry").id);
    REQUIRE(changes.size() == 1);
    const std::string told = all_of(changes[0].changed);
    CHECK_THAT(told, Catch::Contains("5 GHz: 80 MHz wide instead of 160"));
    CHECK_THAT(told, Catch::Contains("5 GHz: 21.0 dBm instead of 23.0"));
    CHECK_THAT(told, Catch::Contains("6 GHz: this radio is gone"));
    const AccessPoint& now = ap_of(p, id);
    CHECK(now.azimuth_deg == 33);
    CHECK(now.downtilt_deg == 5);
    CHECK(now.height_m == 2.6);
    CHECK(now.number == ap.number);
    REQUIRE(now.radios.size() == 2);
    CHECK_FALSE(now.radios[0].on);
    CHECK(now.radios[1].channel == Channel{band_5, 42, 80});
    CHECK(now.radios[1].primary == 44);
    CHECK(now.radios[1].power_dbm == 21);
    check_references(p);
}

TEST_CASE("a model that changes under its access points takes them along, in every variant") {
    Project p = one_floor();
    placed(p, "ceiling-tri");
    copy_variant(p, "B");
    AccessPointModel less = keyed(p, "ceiling-tri");
    less.radios.pop_back();
    less.power.clear();
    less.radios[1].bands[0].widest_mhz = 40;
    replace_model(p, less);
    for (const Variant& v : p.variants)
        for (const auto& [floor, list] : v.access_points)
            for (const AccessPoint& ap : *list) {
                CHECK(ap.radios.size() == 2);
                CHECK(ap.radios[1].channel.width_mhz <= 40);
            }
    CHECK(placed_access_points(p).front().access_point->position == Point{5, 5});
    check_references(p);
}

TEST_CASE("what is in use cannot be taken away; what is not, can") {
    Project p = one_floor();
    placed(p, "panel-external");
    const ModelId used = keyed(p, "panel-external").id, unused = keyed(p, "desk-unit").id;
    CHECK_THROWS_WITH(remove_model(p, used), Catch::Contains("1 access point is a Panel unit"));
    remove_model(p, unused);
    CHECK(std::ranges::none_of(*p.models, [&](const auto& m) { return m.id == unused; }));
    AccessPoint ap = *placed_access_points(p).front().access_point;
    ap.radios[0].antenna = p.antennas->front().id;
    replace_access_point(p, floor_at(p, 0), ap);
    CHECK(uses_of_antenna(p, p.antennas->front().id) == 1);
    CHECK_THROWS_WITH(remove_antenna(p, p.antennas->front().id), Catch::Contains("is on 1 radio"));
    const std::size_t before = p.antennas->size();
    remove_antenna(p, p.antennas->back().id);
    CHECK(p.antennas->size() == before - 1);
}

TEST_CASE("a second model of a key gets a key of its own") {
    Project p = one_floor();
    const AccessPointModel twin = keyed(p, "desk-unit");
    const ModelId a = add_model(p, twin), b = add_model(p, twin);
    CHECK(model(p, a).key == "desk-unit-2");
    CHECK(model(p, b).key == "desk-unit-3");
    CHECK(a != b);
}

TEST_CASE("models with all that they can say, antennas and cables go through a file unchanged") {
    Project p = one_floor();
    AccessPointModel own = keyed(p, "panel-external");
    own.name = "Own";
    own.mounts = {Mount::pole, Mount::desk};
    own.body = {220, 280, 65, 1.8, true, 719.5};
    own.radios[1].bands[1].power = {5, 24, 1, {5, 11.5, 24}};
    own.radios[1].bands[0].chains = {3, 4, 2};
    own.radios[1].most_clients = 300;
    own.power = {{PowerSource::at,
                  24.5,
                  {{"half", {{1, true, 2, 2, 2, 17.5}}}, {"one", {{0, false, {}, {}, {}, {}}}}}},
                 {PowerSource::dc, 30, {{"", {}}}}};
    MeasuredPattern pattern;
    pattern.name = "a sheet, page 2";
    pattern.blend = Blend::forward;
    pattern.frame = PatternFrame::ceiling;
    for (double mhz : {5200.0, 5800.0}) {
        PatternCuts cuts;
        cuts.frequency_mhz = mhz;
        for (int d = 0; d < 360; ++d) cuts.azimuth[d] = -0.013 * std::min(d, 360 - d);
        pattern.cuts.push_back(cuts);
    }
    own.radios[1].bands[0].antenna = {9.5, MeasuredLobe(pattern)};
    const AccessPointId id = add_access_point(p, floor_at(p, 0), add_model(p, own), {3, 3});
    AccessPoint ap = ap_of(p, id);
    CHECK(ap.source == PowerSource::dc);
    ap.source = PowerSource::at;
    ap.alternative = 1;
    ap.radios[1].antenna = p.antennas->front().id;
    ap.radios[1].cable = "thick";
    ap.radios[1].cable_m = 12.5;
    replace_access_point(p, floor_at(p, 0), ap);
    AntennaModel measured = p.antennas->front();
    measured.key = "measured";
    measured.bands[0].antenna.lobe = MeasuredLobe(pattern);
    add_antenna(p, measured);
    check_all(p);
    CHECK(project_from_json(project_to_json(p)) == p);
    const TemporaryFolder folder;
    save_project(p, folder / "gear.yemvo");
    CHECK(load_project(folder / "gear.yemvo").project == p);
}

TEST_CASE("gear that cannot be is refused by its field") {
    const Project p = one_floor();
    const auto refused = [&](auto change) {
        Project q = p;
        change(q.models.edit().front());
        try {
            check_edit(p, q);
        } catch (const Error& e) {
            return std::string(e.what());
        }
        return std::string();
    };
    using M = AccessPointModel;
    CHECK_THAT(refused([](M& m) { m.radios[0].bands[0].chains.transmit = -2; }),
               Catch::Contains("transmit chains"));
    CHECK_THAT(refused([](M& m) { m.radios[0].bands[0].chains.streams = 8; }),
               Catch::Contains("cannot be more than its chains"));
    CHECK_THAT(refused([](M& m) { m.radios[0].bands.push_back(m.radios[0].bands[0]); }),
               Catch::Contains("same band twice"));
    CHECK_THAT(refused([](M& m) { m.power[0].watts = 40; }), Catch::Contains("12.95"));
    CHECK_THAT(refused([](M& m) { m.power[0].alternatives = {}; }), Catch::Contains("ways of using"));
    CHECK_THAT(
        refused([](M& m) {
            m.power[0].alternatives[0].limits = {{0, false, {}, {}, {}, {}}, {1, false, {}, {}, {}, {}}};
        }),
        Catch::Contains("feeds no radio"));
    CHECK_THAT(refused([](M& m) {
                   m.power[0].alternatives[0].limits = {{7, true, {}, {}, {}, {}}};
               }),
               Catch::Contains("does not have"));
    CHECK_THAT(refused([](M& m) { m.power.push_back(m.power[0]); }), Catch::Contains("same source twice"));
    CHECK_THAT(refused([](M& m) {
                   m.radios[0].bands[0].power = {5, 20, 1, {5, 20, 12}};
               }),
               Catch::Contains("must rise"));
    CHECK_THAT(refused([](M& m) { m.radios[0].bands[0].antenna.gain_dbi = std::nan(""); }),
               Catch::Contains("antenna gain"));
    CHECK_THAT(refused([](M& m) { m.body.weight_kg = -1; }), Catch::Contains("weight"));
    CHECK_THAT(refused([](M& m) {
                   MeasuredPattern high;
                   high.cuts.resize(1);
                   high.cuts[0].azimuth[90] = 3;
                   m.radios[0].bands[0].antenna.lobe = MeasuredLobe(high);
               }),
               Catch::Contains("azimuth value"));
    CHECK(refused([](M& m) { m.name = "Fine"; }).empty());
}

TEST_CASE("a model that is renamed or grows leaves its access points just as they are") {
    Project p = one_floor();
    const AccessPointId id = placed(p, "ceiling-tri");
    AccessPoint ap = ap_of(p, id);
    ap.radios[1].power_dbm = 13.5;  // between its steps, as an older file may have it
    replace_access_point(p, floor_at(p, 0), ap);
    const auto before = p.variants.front().access_points;
    AccessPointModel other = keyed(p, "ceiling-tri");
    other.name = "Renamed";
    other.radios[2].bands[0].power.high_dbm = 25;
    replace_model(p, other);
    CHECK(ap_of(p, id) == ap);
    CHECK(p.variants.front().access_points.begin()->second.same(before.begin()->second));
    other.radios[1].bands[0].power = {4, 12, 1, {}};
    replace_model(p, other);
    CHECK(ap_of(p, id).radios[1].power_dbm == 12);
}

TEST_CASE("an access point that is copied brings its model, antenna and cable along") {
    Project from = one_floor();
    const AccessPointId id = placed(from, "panel-external");
    AntennaModel own = from.antennas->front();
    own.key = "own-panel";
    const AntennaId antenna = add_antenna(from, own);
    from.cables.edit().push_back({"own-cable", "Own cable", 0.5, 0.2});
    AccessPoint ap = ap_of(from, id);
    ap.radios[1].antenna = antenna;
    ap.radios[1].cable = "own-cable";
    ap.radios[1].cable_m = 7;
    replace_access_point(from, floor_at(from, 0), ap);
    const Floor& floor = *find_floor(from, floor_at(from, 0));
    const Clipping copied =
        clipping_from_json(clipping_to_json(clip(from, floor, {{ItemKind::access_point, id.value}})));

    Project to = one_floor();
    std::erase_if(to.models.edit(), [](const AccessPointModel& m) { return m.key == "panel-external"; });
    for (int twice = 0; twice < 2; ++twice) paste(to, floor_at(to, 0), copied, shifted({1.0 * twice, 0}));
    check_references(to);
    REQUIRE(placed_access_points(to).size() == 2);
    for (const PlacedAccessPoint& pasted : placed_access_points(to)) {
        const Radio& radio = pasted.access_point->radios[1];
        REQUIRE(find_antenna(to, radio.antenna));
        CHECK(find_antenna(to, radio.antenna)->key == "own-panel");
        CHECK(radio.cable_m == 7);
        CHECK(model(to, pasted.access_point->model).key == "panel-external");
    }
    CHECK(std::ranges::count(*to.antennas, std::string("own-panel"), &AntennaModel::key) == 1);
    CHECK(std::ranges::count(*to.cables, std::string("own-cable"), &CableType::key) == 1);
}
