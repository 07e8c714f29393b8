// SPDX-License-Identifier: GPL-3.0-or-later
// What model, source, antenna and cable make of a radio, and what prediction and explanation make of that.
#include "project/working_radio.h"

#include "core/support.h"
#include "coverage/probe.h"
#include "coverage/site_prediction.h"
#include "project/gear_edits.h"
#include "project/json_project.h"
#include "project/salvage.h"
#include "project/validation.h"

using namespace yemvo;
using namespace yemvo::test;

namespace {

ModelId model_of(const Project& p, std::string_view key) {
    for (const AccessPointModel& m : *p.models)
        if (m.key == key) return m.id;
    FAIL("no model " << key);
    return {};
}

AntennaId antenna_of(const Project& p, std::string_view key) {
    for (const AntennaModel& a : *p.antennas)
        if (a.key == key) return a.id;
    FAIL("no antenna " << key);
    return {};
}

/// One access point of a model in an empty hall.
struct Hall {
    Project project = one_floor();
    AccessPointId id;
    explicit Hall(std::string_view model) {
        id = add_access_point(project, floor_at(project, 0), model_of(project, model), {10, 6});
    }
    const AccessPoint& ap() const { return *find_access_point(project, floor_at(project, 0), id); }
    template <class Change>
    void change(Change change) {
        AccessPoint ap = this->ap();
        change(ap);
        replace_access_point(project, floor_at(project, 0), ap);
    }
    WorkingRadio radio(std::size_t i) const { return working_radio(project, ap(), i); }
    std::vector<LinkExplanation> links(Point at) const {
        SceneCache scenes(std::make_shared<MemoryBudget>(usual_budget_bytes()));
        const Floor& floor = *find_floor(project, floor_at(project, 0));
        return probe(project, *scenes.scene(project, building_with(project, floor.id).id), floor, at);
    }
};

std::vector<std::string> words(const std::vector<Said>& all) {
    std::vector<std::string> english;
    for (const Said& s : all) english.push_back(s.english());
    return english;
}

}  // namespace

TEST_CASE(
    "array gain counts in the EIRP where the project says so, by the chains that the source leaves, and on "
    "no map") {
    Hall hall("ceiling-tri");
    const double plain_dbm = hall.radio(1).eirp_dbm(), sent_dbm = hall.radio(1).power_dbm;
    hall.project.settings.array_gain_in_eirp = true;
    CHECK(hall.radio(1).eirp_dbm() == Approx(plain_dbm + 6.02).margin(0.01));  // four chains
    hall.change([](AccessPoint& ap) { ap.source = PowerSource::af; });
    CHECK(hall.radio(1).array_gain_db == Approx(3.01).margin(0.01));  // two are left
    CHECK(hall.radio(1).power_dbm == sent_dbm);
    const Project read = project_from_json(project_to_json(hall.project));
    CHECK(read.settings == hall.project.settings);
    const auto received = [&](bool counted) {
        hall.project.settings.array_gain_in_eirp = counted;
        return hall.links({20, 5}).front().received_dbm;
    };
    CHECK(received(true) == received(false));
}

TEST_CASE("a weaker source takes chains, streams, power and whole radios, as its way of use says") {
    Hall hall("ceiling-tri");
    CHECK(hall.ap().source == PowerSource::bt3);
    CHECK(hall.radio(1).chains == Chains{4, 4, 4});
    CHECK(lost_to_source(hall.project, hall.ap()).empty());

    hall.change([](AccessPoint& ap) {
        ap.source = PowerSource::af;
        ap.radios[1].power_dbm = 23;
    });
    CHECK(hall.radio(0).chains == Chains{2, 2, 2});
    CHECK(hall.radio(1).chains == Chains{2, 2, 2});
    CHECK(hall.radio(1).power_dbm == 18);
    CHECK(hall.radio(1).eirp_dbm() == Approx(22));
    CHECK_FALSE(hall.radio(2).fed);
    CHECK_FALSE(hall.radio(2).on);
    CHECK(words(lost_to_source(hall.project, hall.ap())) ==
          std::vector<std::string>{"5 GHz has 2×2:2 instead of 4×4:4",
                                   "5 GHz sends with at most 18.0 dBm instead of 23.0", "6 GHz is off"});
    CHECK(radios_at_work(hall.project).size() == 2);

    hall.change([](AccessPoint& ap) { ap.alternative = 1; });  // 6 GHz alone
    CHECK_FALSE(hall.radio(0).on);
    CHECK(hall.radio(2).on);
    CHECK(radios_at_work(hall.project).size() == 1);
    hall.change([](AccessPoint& ap) { ap.source = std::nullopt; });
    CHECK(radios_at_work(hall.project).size() == 3);
}

TEST_CASE("a source that leaves less is seen in the map's rates, its levels and in explanations") {
    Hall hall("ceiling-tri");
    const auto rates = [&] {
        Predictor predictor;
        const SitePrediction site = predictor.predict(hall.project);
        std::vector<int> streams;
        for (const RadioField& f : *site.floors.front().radios) streams.push_back(f.ability.streams);
        return streams;
    };
    CHECK(rates() == std::vector<int>{2, 4, 4});
    hall.change([](AccessPoint& ap) { ap.source = PowerSource::af; });
    CHECK(rates() == std::vector<int>{2, 2});
    CHECK(hall.links({3, 3}).size() == 2);
    Predictor predictor;
    const std::uint64_t before = predictor.floor_key(hall.project, floor_at(hall.project, 0), {}, {});
    hall.change([](AccessPoint& ap) { ap.alternative = 1; });
    CHECK(predictor.floor_key(hall.project, floor_at(hall.project, 0), {}, {}) != before);
}

TEST_CASE("another antenna and its cable change the EIRP by their gain and loss, and every link") {
    Hall hall("panel-external");
    hall.change([](AccessPoint& ap) {
        ap.radios[1].power_dbm = 14;
        ap.radios[1].channel = {band_5, 38, 40};
    });
    CHECK(hall.radio(1).eirp_dbm() == Approx(14 + 6.5));
    hall.change([&](AccessPoint& ap) {
        ap.radios[1].antenna = antenna_of(hall.project, "panel-13");
        ap.radios[1].cable = "medium";
        ap.radios[1].cable_m = 4;
    });
    // sqrt(5190 / 5500) of 4 x 0.85 dB, and 0.3 dB of connectors
    const double cable_db = 0.3 + 3.4 * 0.97141;
    CHECK(hall.radio(1).cable_loss_db == Approx(cable_db).margin(1e-4));
    CHECK(hall.radio(1).eirp_dbm() == Approx(14 + 13 - cable_db).margin(1e-4));
    double listed_db = 0;
    bool has_cable = false;
    for (const LinkExplanation& l : hall.links({10, 10})) {
        if (l.radio != 1) continue;
        for (const LinkTerm& t : l.terms) {
            listed_db += t.db;
            has_cable = has_cable || t.kind == TermKind::cable;
        }
        CHECK(l.received_dbm == Approx(listed_db));
    }
    CHECK(has_cable);
    // the map says the same as the explanation
    Predictor predictor;
    const SitePrediction site = predictor.predict(hall.project);
    const FloorPrediction& f = site.floors.front();
    const std::size_t cell = *f.surface.cell_at({10, 10});
    for (const RadioField& r : *f.radios)
        if (r.radio == 1) {
            const Point at = f.surface.centre(cell);
            double told_dbm = 0;
            for (const LinkExplanation& l : hall.links(at))
                if (l.radio == 1) told_dbm = l.received_dbm;
            CHECK((r.field->gain_cdb[cell] + r.offset_cdb) / 100.0 == Approx(told_dbm).margin(0.1));
        }
}

TEST_CASE("an antenna that is not made for the band leaves the radio its own") {
    Hall hall("panel-external");
    AntennaModel five;
    five.key = "five";
    five.name = "Five";
    five.connector = "N";
    five.bands = {{band_5, {9, PatchLobe{3.7, -24}}}};
    const AntennaId id = add_antenna(hall.project, five);
    hall.change([&](AccessPoint& ap) {
        ap.radios[1].antenna = id;
        ap.radios[1].cable = "thin";
        ap.radios[1].cable_m = 5;
    });
    CHECK(hall.radio(1).antenna.gain_dbi == 9);
    hall.change([&](AccessPoint& ap) { ap.radios[1] = in_band(hall.project, ap, 1, band_6); });
    CHECK_FALSE(hall.ap().radios[1].antenna);
    CHECK(hall.radio(1).antenna.gain_dbi == 6.5);
    hall.change([&](AccessPoint& ap) { ap.radios[1].antenna = id; });  // as a file may say
    CHECK(hall.radio(1).antenna.gain_dbi == 6.5);
    CHECK(hall.radio(1).cable_loss_db == 0);
}

TEST_CASE("a switchable radio has antenna, chains and power of the band that it is set to") {
    Hall hall("density-switch");
    CHECK(hall.ap().radios[2].channel.band == band_6);
    CHECK(hall.radio(2).antenna.gain_dbi == 8);
    CHECK(hall.radio(2).most_power_dbm == 23);
    hall.change([&](AccessPoint& ap) { ap.radios[2] = in_band(hall.project, ap, 2, band_5); });
    CHECK(hall.radio(2).antenna.gain_dbi == 7.5);
    CHECK(hall.radio(2).most_power_dbm == 21);
    CHECK_THROWS_AS(in_band(hall.project, hall.ap(), 2, band_24), Error);
}

TEST_CASE(
    "whether a radio is at work is told alike with and without its antenna, for every model and source") {
    const Project all = one_floor();
    for (const AccessPointModel& m : *all.models) {
        Hall hall(m.key);
        for (PowerSource source : power_sources)
            for (int alternative = 0; alternative < 3; ++alternative) {
                hall.change([&](AccessPoint& ap) {
                    ap.source = source;
                    ap.alternative = alternative;
                    ap.radios[0].on = alternative != 1;
                });
                for (std::size_t r = 0; r < hall.ap().radios.size(); ++r)
                    CHECK(is_at_work(hall.project, hall.ap(), r) == hall.radio(r).on);
            }
    }
}

TEST_CASE("a file that names an antenna or a cable that is gone is mended, and told") {
    Hall hall("panel-external");
    hall.change([&](AccessPoint& ap) {
        ap.radios[1].antenna = antenna_of(hall.project, "panel-13");
        ap.radios[1].cable = "medium";
        ap.radios[1].cable_m = 4;
        ap.radios[0].cable = "unheard-of";
    });
    CHECK_THROWS_WITH(check_references(hall.project), Catch::Contains("unheard-of"));
    std::erase_if(hall.project.antennas.edit(), [](const AntennaModel& a) { return a.key == "panel-13"; });
    std::vector<SetAside> aside;
    mend_references(hall.project, aside);
    CHECK(aside.size() == 2);
    CHECK_FALSE(hall.ap().radios[1].antenna);
    CHECK(hall.ap().radios[1].cable.empty());
    CHECK(hall.ap().radios[0].cable.empty());
    check_references(hall.project);
}
