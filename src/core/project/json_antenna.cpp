// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/json_antenna.h"

#include <cmath>

#include "antenna/pattern/measured_pattern.h"
#include "project/json_lists.h"

namespace yemvo {
namespace {

/// A value a degree, in hundredths of a dB.
Json write_cut(const Cut& cut) {
    Json values = Json::array();
    for (int degree = 0; degree < Cut::degrees; ++degree) values.push_back(std::lround(cut[degree] * 100));
    return values;
}

Cut read_cut(const Reader& r) {
    Cut cut;
    const auto values = r.items(Cut::degrees);
    if (values.size() != Cut::degrees)
        r.fail(say("must have 360 values, one a degree, and has %1", values.size()));
    for (int degree = 0; degree < Cut::degrees; ++degree)
        cut[degree] = values[static_cast<std::size_t>(degree)].number() / 100;
    return cut;
}

std::string_view kind_name(FurtherCut::Kind k) {
    return k == FurtherCut::Kind::upright ? "elevation" : "azimuth";
}
std::optional<FurtherCut::Kind> find_kind(std::string_view name) {
    for (FurtherCut::Kind k : {FurtherCut::Kind::upright, FurtherCut::Kind::level})
        if (name == kind_name(k)) return k;
    return std::nullopt;
}

Json write_cuts(const PatternCuts& c) {
    Json json{{"frequency_mhz", c.frequency_mhz},
              {"azimuth_cdb", write_cut(c.azimuth)},
              {"elevation_cdb", write_cut(c.elevation)}};
    if (!c.further.empty())
        json["further"] = write_list(c.further, [](const FurtherCut& f) {
            return Json{{"cut", kind_name(f.kind)}, {"at_deg", f.at_deg}, {"cdb", write_cut(f.cut)}};
        });
    return json;
}

PatternCuts read_cuts(const Reader& r) {
    PatternCuts c{r.at("frequency_mhz").number(), read_cut(r.at("azimuth_cdb")),
                  read_cut(r.at("elevation_cdb"))};
    if (const auto further = r.find("further"))
        for (const Reader& f : further->items(limits::further_cuts))
            c.further.push_back(
                {f.at("cut").word(find_kind), f.at("at_deg").number(), read_cut(f.at("cdb"))});
    return c;
}

std::string_view frame_name(PatternFrame f) { return f == PatternFrame::ceiling ? "ceiling" : "upright"; }
std::optional<PatternFrame> find_frame(std::string_view name) {
    for (PatternFrame f : {PatternFrame::ceiling, PatternFrame::upright})
        if (name == frame_name(f)) return f;
    return std::nullopt;
}

struct LobeWriter {
    Json operator()(const DomeLobe& l) const {
        return {{"shape", "dome"}, {"beamwidth_deg", l.beamwidth_deg}, {"floor_db", l.floor_db}};
    }
    Json operator()(const SectorLobe& l) const {
        return {{"shape", "sector"},
                {"horizontal_deg", l.horizontal_deg},
                {"vertical_deg", l.vertical_deg},
                {"tilt_deg", l.tilt_deg},
                {"front_back_db", l.front_back_db},
                {"side_limit_db", l.side_limit_db}};
    }
    Json operator()(const PatchLobe& l) const {
        return {{"shape", "patch"}, {"exponent", l.exponent}, {"floor_db", l.floor_db}};
    }
    Json operator()(const DipoleLobe&) const { return {{"shape", "dipole"}}; }
    Json operator()(const CollinearLobe& l) const {
        return {{"shape", "collinear"},
                {"vertical_deg", l.vertical_deg},
                {"tilt_deg", l.tilt_deg},
                {"side_limit_db", l.side_limit_db}};
    }
    Json operator()(const MeasuredLobe& l) const {
        const MeasuredPattern& p = l.pattern();
        return {{"shape", "measured"},
                {"pattern", p.name},
                {"frame", frame_name(p.frame)},
                {"blend", blend_key(p.blend)},
                {"cuts", write_list(p.cuts, write_cuts)}};
    }
};

/// A reading must not take back what a rule would forbid: it is asked before the pattern is shared.
MeasuredLobe read_measured(const Reader& r) {
    MeasuredPattern p{r.at("pattern").text(limits::name),
                      r.at("frame").word(find_frame),
                      r.at("blend").word(find_blend),
                      {}};
    const Reader cuts = r.at("cuts");
    for (const Reader& c : cuts.items(limits::frequencies)) p.cuts.push_back(read_cuts(c));
    return MeasuredLobe(r.kept(std::move(p)));
}

Lobe read_lobe(const Reader& r) {
    const std::string shape = r.at("shape").text();
    if (shape == "dome") return DomeLobe{r.at("beamwidth_deg").number(), r.at("floor_db").number()};
    if (shape == "sector")
        return SectorLobe{r.at("horizontal_deg").number(), r.at("vertical_deg").number(),
                          r.at("tilt_deg").number(), r.at("front_back_db").number(),
                          r.at("side_limit_db").number()};
    if (shape == "patch") return PatchLobe{r.at("exponent").number(), r.at("floor_db").number()};
    if (shape == "dipole") return DipoleLobe{};
    if (shape == "collinear")
        return CollinearLobe{r.at("vertical_deg").number(), r.at("tilt_deg").number(),
                             r.at("side_limit_db").number()};
    if (shape == "measured") return read_measured(r);
    r.at("shape").fail(say("does not know '%1'", shape));
}

}  // namespace

Json write_antenna(const Antenna& a) {
    Json json{{"gain_dbi", a.gain_dbi}};
    json.update(std::visit(LobeWriter{}, a.lobe));
    return json;
}

Antenna read_antenna(const Reader& r) { return {r.at("gain_dbi").number(), read_lobe(r)}; }

void write_body(const Body& b, Json& owner) {
    const auto told = [&](const char* key, double value) {
        if (value != 0) owner[key] = value;
    };
    told("width_mm", b.width_mm);
    told("height_mm", b.height_mm);
    told("depth_mm", b.depth_mm);
    told("weight_kg", b.weight_kg);
    told("price", b.price);
    if (b.outdoor) owner["outdoor"] = true;
}

Body read_body(const Reader& owner) {
    const auto told = [&](const char* key) {
        const auto value = owner.find(key);
        return value ? value->number() : 0;
    };
    Body b;
    b.width_mm = told("width_mm");
    b.height_mm = told("height_mm");
    b.depth_mm = told("depth_mm");
    b.weight_kg = told("weight_kg");
    b.price = told("price");
    if (const auto outdoor = owner.find("outdoor")) b.outdoor = outdoor->boolean();
    return b;
}

Json write_antenna_model(const AntennaModel& a) {
    Json json{{"id", a.id.value}, {"key", a.key}, {"name", a.name}, {"connector", a.connector}};
    write_body(a.body, json);
    json["bands"] = write_list(a.bands, [](const AntennaBand& b) {
        return Json{{"band_ghz", band(b.band).name}, {"antenna", write_antenna(b.antenna)}};
    });
    return json;
}

AntennaModel read_antenna_model(const Reader& r) {
    AntennaModel a;
    if (const auto id = r.find("id")) a.id = id->id<AntennaId>();
    a.key = r.at("key").text();
    a.name = r.at("name").text();
    a.connector = r.at("connector").text();
    a.body = read_body(r);
    const Reader bands = r.at("bands");
    for (const Reader& b : bands.items(limits::bands))
        a.bands.push_back({b.at("band_ghz").word(find_band), read_antenna(b.at("antenna"))});
    return r.kept(std::move(a));
}

Json write_cable(const CableType& c) {
    return {{"key", c.key}, {"name", c.name}, {"loss_db_per_m", c.loss_db_per_m}, {"ends_db", c.ends_db}};
}

CableType read_cable(const Reader& r) {
    return r.kept(CableType{r.at("key").text(), r.at("name").text(), r.at("loss_db_per_m").number(),
                            r.at("ends_db").number()});
}

}  // namespace yemvo
