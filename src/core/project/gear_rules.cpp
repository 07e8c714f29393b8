// SPDX-License-Identifier: GPL-3.0-or-later
// The rules of models, antennas and cables.
#include <algorithm>
#include <set>

#include "antenna/pattern/measured_pattern.h"
#include "project/rule_parts.h"
#include "project/rules.h"

namespace yemvo {

using namespace rule;

namespace {

struct LobeRules {
    void operator()(const DomeLobe& l) const {
        number("beamwidth_deg", mark("beamwidth"), l.beamwidth_deg, limits::beamwidth_deg);
        number("floor_db", mark("floor of the pattern"), l.floor_db, limits::lobe_floor_db);
    }
    void operator()(const SectorLobe& l) const {
        number("horizontal_deg", mark("horizontal beamwidth"), l.horizontal_deg, limits::beamwidth_deg);
        number("vertical_deg", mark("vertical beamwidth"), l.vertical_deg, limits::beamwidth_deg);
        number("tilt_deg", mark("electrical tilt"), l.tilt_deg, limits::lobe_tilt_deg);
        number("front_back_db", mark("front-to-back ratio"), l.front_back_db, limits::below_peak_db);
        number("side_limit_db", mark("side lobe limit"), l.side_limit_db, limits::below_peak_db);
    }
    void operator()(const PatchLobe& l) const {
        number("exponent", mark("exponent"), l.exponent, limits::lobe_exponent);
        number("floor_db", mark("floor of the pattern"), l.floor_db, limits::lobe_floor_db);
    }
    void operator()(const DipoleLobe&) const {}
    void operator()(const CollinearLobe& l) const {
        number("vertical_deg", mark("vertical beamwidth"), l.vertical_deg, limits::beamwidth_deg);
        number("tilt_deg", mark("electrical tilt"), l.tilt_deg, limits::lobe_tilt_deg);
        number("side_limit_db", mark("side lobe limit"), l.side_limit_db, limits::below_peak_db);
    }
    void operator()(const MeasuredLobe& l) const { check(l.pattern()); }
};

void antenna(const std::string& at, const Antenna& a) {
    number((at + "antenna.gain_dbi").c_str(), mark("antenna gain"), a.gain_dbi, limits::gain_dbi);
    std::visit(LobeRules{}, a.lobe);
}

void body(const Body& b) {
    number("width_mm", mark("width"), b.width_mm, limits::size_mm);
    number("height_mm", mark("height"), b.height_mm, limits::size_mm);
    number("depth_mm", mark("depth"), b.depth_mm, limits::size_mm);
    number("weight_kg", mark("weight"), b.weight_kg, limits::weight_kg);
    number("price", mark("price"), b.price, limits::price);
}

void power_range(const std::string& at, const PowerRange& p) {
    number((at + "low_dbm").c_str(), mark("lowest power"), p.low_dbm, limits::power_dbm);
    number((at + "high_dbm").c_str(), mark("highest power"), p.high_dbm,
           Range{p.low_dbm, limits::power_dbm.high, "dBm"});
    if (p.levels_dbm.empty()) {
        number((at + "step_db").c_str(), mark("power step"), p.step_db, limits::power_step_db);
        return;
    }
    if (p.levels_dbm.size() > limits::power_levels)
        broken(at + "levels_dbm", say("power levels"), say("are more than %1", limits::power_levels));
    if (p.levels_dbm.front() != p.low_dbm || p.levels_dbm.back() != p.high_dbm ||
        std::adjacent_find(p.levels_dbm.begin(), p.levels_dbm.end(), std::greater_equal<>()) !=
            p.levels_dbm.end())
        broken(at + "levels_dbm", say("power levels"), say("must rise from each to the next"));
}

void chains_of(const std::string& at, const Chains& c) {
    number((at + "transmit").c_str(), mark("transmit chains"), c.transmit, limits::chains);
    number((at + "receive").c_str(), mark("receive chains"), c.receive, limits::chains);
    number((at + "streams").c_str(), mark("streams"), c.streams, limits::streams);
    if (c.streams > std::min(c.transmit, c.receive))
        broken(at + "streams", say("streams"), say("cannot be more than its chains"));
}

void radio_band(const std::string& at, const RadioBand& b) {
    number((at + "widest_mhz").c_str(), mark("widest channel"), b.widest_mhz, limits::width_mhz);
    power_range(at + "power.", b.power);
    chains_of(at + "chains.", b.chains);
    number((at + "noise_figure_db").c_str(), mark("noise figure"), b.noise_figure_db,
           limits::noise_figure_db);
    antenna(at, b.antenna);
    if (!b.connector.empty()) text((at + "connector").c_str(), mark("connector"), b.connector, limits::key);
}

void radio_model(const std::string& at, const RadioModel& r) {
    text((at + "standard").c_str(), mark("standard"), r.standard, limits::standard);
    number((at + "most_clients").c_str(), mark("most clients"), r.most_clients, limits::most_clients);
    if (r.bands.empty()) broken(at + "bands", say("bands"), say("needs at least one band"));
    std::set<std::size_t> bands;
    for (std::size_t i = 0; i < r.bands.size(); ++i) {
        radio_band(at + indexed("bands", i) + ".", r.bands[i]);
        if (!bands.insert(r.bands[i].band.index).second)
            broken(at + indexed("bands", i) + ".band_ghz", say("bands"), say("has the same band twice"));
    }
}

void limit(const std::string& at, const RadioLimit& l, const AccessPointModel& m) {
    if (l.radio < 0 || static_cast<std::size_t>(l.radio) >= m.radios.size())
        broken(at + "radio", say("power table"), say("names a radio that the model does not have"));
    const auto left = [&](const char* field, const char* words, const std::optional<int>& n) {
        if (n) number((at + field).c_str(), words, *n, limits::chains);
    };
    left("transmit_chains", mark("transmit chains"), l.transmit_chains);
    left("receive_chains", mark("receive chains"), l.receive_chains);
    left("streams", mark("streams"), l.streams);
    if (l.power_high_dbm)
        number((at + "power_high_dbm").c_str(), mark("highest power"), *l.power_high_dbm, limits::power_dbm);
}

void alternative(const std::string& at, const PowerAlternative& a, const AccessPointModel& m) {
    std::set<int> radios;
    std::size_t off = 0;
    for (std::size_t i = 0; i < a.limits.size(); ++i) {
        limit(at + indexed("limits", i) + ".", a.limits[i], m);
        if (!radios.insert(a.limits[i].radio).second)
            broken(at + indexed("limits", i) + ".radio", say("power table"), say("limits a radio twice"));
        off += !a.limits[i].on;
    }
    if (off == m.radios.size())
        broken(at + "limits", say("power table"),
               say("feeds no radio: leave the source out where it cannot feed the model"));
}

void power_row(const std::string& at, const PowerRow& row, const AccessPointModel& m) {
    const auto most = available_w(row.source);
    number((at + "watts").c_str(), mark("power drawn"), row.watts,
           most ? Range{0, *most, "W"} : limits::watts);
    if (row.alternatives.empty() || row.alternatives.size() > limits::power_alternatives)
        broken(at + "alternatives", say("power table"),
               say("needs one to %1 ways of using a source", limits::power_alternatives));
    for (std::size_t i = 0; i < row.alternatives.size(); ++i)
        alternative(at + indexed("alternatives", i) + ".", row.alternatives[i], m);
}

}  // namespace

static void further_cuts(const std::string& at, const std::vector<FurtherCut>& all) {
    if (all.size() > limits::further_cuts)
        broken(at + "further", say("pattern"),
               say("must have at most %1 further cuts", limits::further_cuts));
    for (std::size_t i = 0; i < all.size(); ++i) {
        const FurtherCut& f = all[i];
        const std::string here = at + indexed("further", i) + ".";
        const bool upright = f.kind == FurtherCut::Kind::upright;
        number((here + "at_deg").c_str(), mark("angle of a further cut"), f.at_deg,
               upright ? limits::upright_cut_deg : limits::level_cut_deg);
        if (!upright && f.at_deg == 0)
            broken(here + "at_deg", say("pattern"),
                   say("has a further azimuth at the elevation of the main one"));
        for (std::size_t j = 0; j < i; ++j)
            if (all[j].kind == f.kind && all[j].at_deg == f.at_deg)
                broken(here + "at_deg", say("pattern"), say("has two cuts at the same angle"));
        for (int degree = 0; degree < Cut::degrees; ++degree)
            number((here + "cdb").c_str(), mark("value of a further cut"), f.cut[degree], limits::pattern_db);
    }
}

void check(const MeasuredPattern& p) {
    if (!p.name.empty()) text("pattern", mark("pattern's name"), p.name, limits::name);
    if (p.cuts.empty() || p.cuts.size() > limits::frequencies)
        broken("cuts", say("pattern"), say("must have cuts at one to %1 frequencies", limits::frequencies));
    for (std::size_t i = 0; i < p.cuts.size(); ++i) {
        const PatternCuts& c = p.cuts[i];
        const std::string at = indexed("cuts", i) + ".";
        number((at + "frequency_mhz").c_str(), mark("frequency"), c.frequency_mhz,
               limits::pattern_frequency_mhz);
        if (i > 0 && c.frequency_mhz <= p.cuts[i - 1].frequency_mhz)
            broken(at + "frequency_mhz", say("pattern"),
                   say("must have a higher frequency than the one before"));
        for (int degree = 0; degree < Cut::degrees; ++degree) {
            number((at + "azimuth_cdb").c_str(), mark("azimuth value"), c.azimuth[degree],
                   limits::pattern_db);
            number((at + "elevation_cdb").c_str(), mark("elevation value"), c.elevation[degree],
                   limits::pattern_db);
        }
        further_cuts(at, c.further);
    }
}

void check(const AntennaModel& a) {
    text("key", mark("key"), a.key, limits::key);
    text("name", mark("name"), a.name, limits::name);
    text("connector", mark("connector"), a.connector, limits::key);
    body(a.body);
    if (a.bands.empty()) broken("bands", say("bands"), say("needs at least one band"));
    std::set<std::size_t> bands;
    for (std::size_t i = 0; i < a.bands.size(); ++i) {
        antenna(indexed("bands", i) + ".", a.bands[i].antenna);
        if (!bands.insert(a.bands[i].band.index).second)
            broken(indexed("bands", i) + ".band_ghz", say("bands"), say("has the same band twice"));
    }
}

void check(const CableType& c) {
    text("key", mark("key"), c.key, limits::key);
    text("name", mark("name"), c.name, limits::name);
    number("loss_db_per_m", mark("loss per metre"), c.loss_db_per_m, limits::cable_loss_db_per_m);
    number("ends_db", mark("loss of both ends"), c.ends_db, limits::cable_ends_db);
}

void check(const AccessPointModel& m) {
    text("key", mark("key"), m.key, limits::key);
    text("name", mark("name"), m.name, limits::name);
    number("mount_height_m", mark("mounting height"), m.mount_height_m, limits::mount_height_m);
    body(m.body);
    if (m.radios.empty() || m.radios.size() > limits::radios)
        broken("radios", say("radios"),
               m.radios.empty() ? say("must be one to %1: it needs at least one radio", limits::radios)
                                : say("must be one to %1", limits::radios));
    for (std::size_t i = 0; i < m.radios.size(); ++i) radio_model(indexed("radios", i) + ".", m.radios[i]);
    std::set<PowerSource> sources;
    for (std::size_t i = 0; i < m.power.size(); ++i) {
        power_row(indexed("power", i) + ".", m.power[i], m);
        if (!sources.insert(m.power[i].source).second)
            broken(indexed("power", i) + ".source", say("power table"), say("has the same source twice"));
    }
}

}  // namespace yemvo
