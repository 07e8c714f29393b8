// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/rules.h"

#include <algorithm>
#include <cmath>

#include "base/number_text.h"
#include "base/utf8.h"
#include "project/kinds/all.h"
#include "project/rule_parts.h"
#include "wireless/rates.h"

namespace yemvo {

using namespace rule;

namespace {

std::string bound_text(double value, const Range& range, LengthUnits units) {
    if (std::string_view(range.unit) == "m") return format_length(value, units);
    const int decimals = value == std::floor(value) ? 0 : 2;
    std::string text =
        std::abs(value) < 1e7 ? format_number(value, decimals) : format_number(value / 1e6, 0) + " million";
    if (*range.unit) text += std::string(" ") + range.unit;
    return text;
}

void placement(const char* field, const Similarity& s) {
    const std::string at = field;
    number((at + ".metres_per_unit").c_str(), "scale", s.scale, limits::metres_per_unit);
    number((at + ".turn_deg").c_str(), "direction", s.turn_deg, limits::angle_deg);
    place(at + ".shift_m", "place", s.shift, limits::sheet_coordinate);
}

void source(const std::string& at, const DrawingSource& s) {
    text((at + ".asset").c_str(), "file name", s.asset, limits::name);
    number((at + ".page").c_str(), "page", s.page, limits::page);
    place(at + ".sheet[0]", "sheet", s.sheet.low, limits::sheet_coordinate);
    place(at + ".sheet[1]", "sheet", s.sheet.high, limits::sheet_coordinate);
    if (!(s.sheet.width() > 0) || !(s.sheet.height() > 0))
        broken(at + ".sheet", "sheet", "must have a width and a height");
    if (s.hidden_layers.size() > limits::hidden_layers)
        broken(at + ".hidden_layers", "hidden layers",
               "are more than " + std::to_string(limits::hidden_layers));
    for (std::size_t i = 0; i < s.hidden_layers.size(); ++i)
        text((at + ".hidden_layers[" + std::to_string(i) + "]").c_str(), "layer name", s.hidden_layers[i],
             limits::words);
}

struct LobeRules {
    void operator()(const DomeLobe& l) const {
        number("beamwidth_deg", "beamwidth", l.beamwidth_deg, limits::beamwidth_deg);
        number("floor_db", "floor of the pattern", l.floor_db, limits::lobe_floor_db);
    }
    void operator()(const SectorLobe& l) const {
        number("horizontal_deg", "horizontal beamwidth", l.horizontal_deg, limits::beamwidth_deg);
        number("vertical_deg", "vertical beamwidth", l.vertical_deg, limits::beamwidth_deg);
        number("tilt_deg", "electrical tilt", l.tilt_deg, limits::lobe_tilt_deg);
        number("front_back_db", "front-to-back ratio", l.front_back_db, limits::below_peak_db);
        number("side_limit_db", "side lobe limit", l.side_limit_db, limits::below_peak_db);
    }
    void operator()(const PatchLobe& l) const {
        number("exponent", "exponent", l.exponent, limits::lobe_exponent);
        number("floor_db", "floor of the pattern", l.floor_db, limits::lobe_floor_db);
    }
    void operator()(const DipoleLobe&) const {}
};

void radio(const Radio& r, std::size_t i) {
    const std::string at = indexed("radios", i) + ".", words = "radio " + std::to_string(i + 1) + ": ";
    if (!is_valid(r.channel))
        broken(at + "channel", words + "channel", "is no channel of that band and width");
    const auto inside = primaries(r.channel);
    if (std::find(inside.begin(), inside.end(), r.primary) == inside.end())
        broken(at + "primary", words + "primary channel", "lies outside the channel");
    number((at + "power_dbm").c_str(), (words + "power").c_str(), r.power_dbm, limits::power_dbm);
}

}  // namespace

std::string RuleBroken::reason(LengthUnits units) const {
    if (!range) return what;
    return "must lie between " + bound_text(range->low, *range, units) + " and " +
           bound_text(range->high, *range, units);
}

void check(const KnownLength& k) {
    place("a", "end", k.a, limits::sheet_coordinate);
    place("b", "end", k.b, limits::sheet_coordinate);
    number("length_m", "known length", k.length_m, limits::known_length_m);
}

void check(const Drawing& d) {
    text("name", "name", d.name, limits::name);
    source("source", d.source);
    corners("crop", d.crop, 3, limits::sheet_coordinate, true);
    placement("placement", d.placement);
    if (d.lengths.size() > limits::pairs)
        broken("lengths", "known lengths", "are more than " + std::to_string(limits::pairs));
    for (const KnownLength& k : d.lengths) check(k);
    number("opacity", "opacity", d.opacity, limits::share);
    number("lighten", "lightening", d.lighten, limits::share);
    if (!d.earlier) return;
    source("earlier.source", d.earlier->source);
    corners("earlier.crop", d.earlier->crop, 3, limits::sheet_coordinate, true);
    placement("earlier.placement", d.earlier->placement);
}

void check(const Slab& s) {
    number("slab.thickness_m", "slab thickness", s.thickness_m, limits::slab_thickness_m);
}

void check(const Alignment& a) {
    if (a.pairs.size() > limits::pairs)
        broken("alignment.pairs", "alignment", "has more than " + std::to_string(limits::pairs) + " pairs");
    for (const PointPair& p : a.pairs) {
        place("alignment.pairs", "alignment", p.here, limits::coordinate_m);
        place("alignment.pairs", "alignment", p.there, limits::coordinate_m);
    }
}

void check(const Floor& f) {
    text("name", "name", f.name, limits::name);
    number("elevation_m", "elevation", f.elevation_m, limits::elevation_m);
    number("height_m", "storey height", f.height_m, limits::storey_height_m);
    number("slope.x", "slope", f.slope.x, limits::slope);
    number("slope.y", "slope", f.slope.y, limits::slope);
    corners("plate", f.plate, 3, limits::coordinate_m, true);
    if (f.alignment) check(*f.alignment);
}

void check(const Building& b) {
    text("name", "name", b.name, limits::name);
    number("placement.turn_deg", "direction", b.placement.turn_deg, limits::angle_deg);
    place("placement.shift_m", "place", b.placement.shift, limits::coordinate_m);
    number("level_m", "level", b.level_m, limits::elevation_m);
    if (b.floors.size() > limits::floors)
        broken("floors", "floors", "are more than " + std::to_string(limits::floors));
}

void check(const AccessPoint& ap) {
    number("number", "number", ap.number, limits::access_point_number);
    place("position_m", "place", ap.position, limits::coordinate_m);
    number("height_m", "height", ap.height_m, limits::mounting_m);
    number("azimuth_deg", "azimuth", ap.azimuth_deg, limits::angle_deg);
    number("downtilt_deg", "downtilt", ap.downtilt_deg, limits::tilt_deg);
    for (std::size_t i = 0; i < ap.radios.size(); ++i) radio(ap.radios[i], i);
}

void check(const AccessPointModel& m) {
    text("key", "key", m.key, limits::key);
    text("name", "name", m.name, limits::name);
    number("mount_height_m", "mounting height", m.mount_height_m, limits::mount_height_m);
    if (m.radios.empty() || m.radios.size() > limits::radios)
        broken("radios", "radios",
               "must be one to " + std::to_string(limits::radios) +
                   (m.radios.empty() ? ": it needs at least one radio" : ""));
    for (std::size_t i = 0; i < m.radios.size(); ++i) {
        const RadioModel& r = m.radios[i];
        const std::string at = indexed("radios", i) + ".";
        number((at + "chains").c_str(), "chains", r.chains, limits::chains);
        text((at + "standard").c_str(), "standard", r.standard, limits::standard);
        if (r.bands.empty()) broken(at + "bands", "bands", "needs at least one band");
        for (const RadioBand& b : r.bands) {
            number((at + "bands.widest_mhz").c_str(), "widest channel", b.widest_mhz, limits::width_mhz);
            number((at + "bands.power_low_dbm").c_str(), "lowest power", b.power_low_dbm, limits::power_dbm);
            number((at + "bands.power_high_dbm").c_str(), "highest power", b.power_high_dbm,
                   Range{b.power_low_dbm, limits::power_dbm.high, "dBm"});
            number((at + "bands.power_step_db").c_str(), "power step", b.power_step_db,
                   limits::power_step_db);
            number((at + "bands.antenna.gain_dbi").c_str(), "antenna gain", b.antenna.gain_dbi,
                   limits::gain_dbi);
            std::visit(LobeRules{}, b.antenna.lobe);
        }
    }
}

void check(const ClientProfile& c) {
    text("key", "key", c.key, limits::key);
    text("name", "name", c.name, limits::name);
    if (!find_standard(c.standard)) broken("standard", "standard", "is not n, ac, ax or be");
    number("streams", "streams", c.streams, limits::streams);
    if (c.widest_mhz.empty()) broken("widest_mhz", "widest channel", "needs at least one band");
    for (const auto& [id, width_mhz] : c.widest_mhz)
        number("widest_mhz", "widest channel", width_mhz, limits::width_mhz);
    number("power_dbm", "power", c.power_dbm, limits::power_dbm);
    number("noise_figure_db", "noise figure", c.noise_figure_db, limits::noise_figure_db);
}

void check(const Material& m) {
    text("name", "material", m.name, limits::material_name);
    number("a", "constant a", m.a, limits::permittivity);
    number("b", "constant b", m.b, limits::exponent);
    number("c", "constant c", m.c, limits::conductivity);
    number("d", "constant d", m.d, limits::exponent);
    number("low_ghz", "valid from", m.low_ghz, limits::material_frequency_ghz);
    number("high_ghz", "valid to", m.high_ghz, limits::material_frequency_ghz);
}

void check(const Layer& l) {
    check(l.material);
    number("thickness_m", "layer thickness", l.thickness_m, limits::layer_thickness_m);
    if (l.sheet_ohm != 0) number("sheet_ohm", "surface resistance", l.sheet_ohm, limits::sheet_ohm);
}

void check(const WallType& t) {
    text("key", "key", t.key, limits::key);
    text("name", "name", t.name, limits::name);
    text("source", "source", t.source, limits::source);
    text("note", "note", t.note, limits::words);
    number("thickness_m", "thickness", t.thickness_m, limits::type_thickness_m);
    number("spread", "spread", t.spread, limits::share);
    number("most_db", "bound", t.most_db, limits::most_db);
    if (t.losses.empty() && t.layers.empty())
        broken("losses", "losses", "needs losses, or layers to compute them from");
    if (t.losses.size() > limits::things || t.layers.size() > limits::layers)
        broken("layers", "layers", "are more than " + std::to_string(limits::layers));
    for (std::size_t i = 0; i < t.losses.size(); ++i) {
        const LossPoint& p = t.losses[i];
        const std::string at = indexed("losses", i) + ".";
        number((at + "frequency_ghz").c_str(), "frequency", p.frequency_ghz, limits::loss_frequency_ghz);
        for (const auto& [field, value] : {std::pair("loss_db", p.loss_db), std::pair("low_db", p.low_db),
                                           std::pair("high_db", p.high_db)})
            number((at + field).c_str(), "loss", value, limits::loss_db);
        if (i > 0 && p.frequency_ghz <= t.losses[i - 1].frequency_ghz)
            broken(at + "frequency_ghz", "losses", "must have a higher frequency than the one before");
        if (p.low_db > p.loss_db || p.high_db < p.loss_db)
            broken(at + "low_db", "losses", "must have low_db at most and high_db at least loss_db");
    }
    for (std::size_t i = 0; i < t.layers.size(); ++i) check(t.layers[i]);
}

void check(const Requirement& r) {
    text("lens", "lens", r.lens, limits::key);
    if (r.bands.empty()) broken("bands_ghz", "bands", "needs at least one band");
    number("limit", "limit", r.limit, limits::requirement_limit);
    for (const auto& [id, limit] : r.band_limits)
        number("band_limits", "limit of a band", limit, limits::requirement_limit);
    number("share_required", "share of area", r.share_required, limits::share);
}

void check(const RequirementSet& set) {
    text("name", "name", set.name, limits::name);
    for (const Requirement& r : set.requirements) check(r);
}

void check(const Variant& v) { text("name", "name", v.name, limits::name); }

void check(const Waiver& w) {
    text("rule", "rule", w.rule, limits::key);
    text("note", "note", w.note, limits::words);
}

void check(const Probe& p) {
    number("number", "number", p.number, limits::probe_number);
    place("place_m", "place", p.place, limits::coordinate_m);
}

void check(const LensColours& c) {
    text("lens", "lens", c.lens, limits::key);
    number("low", "low end", c.low, limits::colours_low);
    number("step", "step", c.step, limits::colours_step);
    text("palette", "palette", c.palette, limits::key);
}

void check(const SiteSettings& s) {
    text("country", "country", s.country, limits::country);
    number("client_height_m", "client height", s.client_height_m, limits::client_height_m);
    number("client_noise_figure_db", "noise figure", s.client_noise_figure_db, limits::noise_figure_db);
    text("client", "client profile", s.client, limits::key);
    number("heard_dbm", "level heard", s.heard_dbm, limits::heard_dbm);
    number("grid_m", "grid", s.grid_m, limits::grid_m);
}

namespace {

/// Tells a broken rule of one thing as a person would want to hear it.
class EditCheck {
public:
    EditCheck(const Project* before, const Project& after) : before_(before), after_(after) {}

    void run() {
        named("project", [&] { text("name", "name", after_.name, limits::name); });
        named("settings", [&] { check(after_.settings); });
        list(after_.wall_types, before_ ? &before_->wall_types : nullptr,
             [](const WallType& t) { return "wall type " + t.name; });
        list(after_.models, before_ ? &before_->models : nullptr,
             [](const AccessPointModel& m) { return "model " + m.name; });
        list(after_.clients, before_ ? &before_->clients : nullptr,
             [](const ClientProfile& c) { return "client profile " + c.name; });
        list(after_.requirement_sets, before_ ? &before_->requirement_sets : nullptr,
             [](const RequirementSet& s) { return "requirement set " + s.name; });
        list(after_.waivers, before_ ? &before_->waivers : nullptr,
             [](const Waiver&) { return std::string("waiver"); });
        list(after_.probes, before_ ? &before_->probes : nullptr,
             [](const Probe& p) { return "probe P" + std::to_string(p.number); });
        for (const LensColours& c : after_.display.colours) named("colours of " + c.lens, [&] { check(c); });
        for (const Building& b : after_.buildings) {
            named("building " + b.name, [&] { check(b); });
            for (const Floor& f : b.floors) floor(f);
        }
        for (const Variant& v : after_.variants) variant(v);
    }

private:
    template <class Rules>
    void named(const std::string& thing, Rules rules) const {
        try {
            rules();
        } catch (const RuleBroken& rule) {
            std::string name = shortened(thing, most_name);
            if (!name.empty() && name[0] >= 'a' && name[0] <= 'z') name[0] = static_cast<char>(name[0] - 32);
            throw Error(name + on_ + ": its " + rule.words + " " + rule.reason(after_.settings.units), {},
                        "Nothing was changed");
        }
    }
    static constexpr std::size_t most_name = 60;
    template <class T, class Name>
    void list(const Shared<std::vector<T>>& now, const Shared<std::vector<T>>* then, Name name) const {
        if (!then || !now.same(*then)) things(*now, name);
    }
    template <class T, class Name>
    void things(const std::vector<T>& all, Name name) const {
        if (all.size() > limits::things)
            throw Error("more than " + std::to_string(limits::things) + " things of a kind" + on_, {},
                        "Nothing was changed");
        for (const T& thing : all) {
            try {
                check(thing);
            } catch (const RuleBroken&) {
                named(name(thing), [&] { check(thing); });
            }
        }
    }
    void floor(const Floor& f) {
        const Floor* then = before_ ? find_floor(*before_, f.id) : nullptr;
        named("floor " + f.name, [&] { check(f); });
        on_ = " on " + shortened(f.name, most_name);
        if (!then || !f.slab.same(then->slab)) named("slab", [&] { check(*f.slab); });
        each_kind([&]<class Thing>() {
            if (!then || !KindOf<Thing>::same(f, *then)) things(KindOf<Thing>::list(f), KindOf<Thing>::label);
        });
        list(f.drawings, then ? &then->drawings : nullptr,
             [](const Drawing& d) { return "drawing " + d.name; });
        on_.clear();
    }
    void variant(const Variant& v) {
        named("variant " + v.name, [&] { check(v); });
        const Variant* then = nullptr;
        if (before_)
            for (const Variant& old : before_->variants)
                if (old.id == v.id) then = &old;
        for (const auto& [floor, aps] : v.access_points) {
            const auto old = then ? then->access_points.find(floor) : v.access_points.end();
            const bool known = then && old != then->access_points.end();
            if (const Floor* f = find_floor(after_, floor)) on_ = " on " + shortened(f->name, most_name);
            list(aps, known ? &old->second : nullptr,
                 [](const AccessPoint& ap) { return "access point " + std::to_string(ap.number); });
            on_.clear();
        }
    }

    const Project* before_;
    const Project& after_;
    std::string on_;  ///< " on First floor"
};

}  // namespace

void check_edit(const Project& before, const Project& after) { EditCheck(&before, after).run(); }
void check_all(const Project& project) { EditCheck(nullptr, project).run(); }

namespace limits {

std::span<const Named> in_schema() {
    static constexpr Named all[] = {{"coordinate_m", coordinate_m},
                                    {"sheet_coordinate", sheet_coordinate},
                                    {"elevation_m", elevation_m},
                                    {"storey_height_m", storey_height_m},
                                    {"above_floor_m", above_floor_m},
                                    {"mounting_m", mounting_m},
                                    {"ceiling_height_m", ceiling_height_m},
                                    {"rise_m", rise_m},
                                    {"slope", slope},
                                    {"slab_thickness_m", slab_thickness_m},
                                    {"bulge", bulge},
                                    {"opening_start_m", opening_start_m},
                                    {"opening_width_m", opening_width_m},
                                    {"angle_deg", angle_deg},
                                    {"tilt_deg", tilt_deg},
                                    {"metres_per_unit", metres_per_unit},
                                    {"known_length_m", known_length_m},
                                    {"share", share},
                                    {"client_height_m", client_height_m},
                                    {"noise_figure_db", noise_figure_db},
                                    {"heard_dbm", heard_dbm},
                                    {"grid_m", grid_m},
                                    {"power_dbm", power_dbm},
                                    {"power_step_db", power_step_db},
                                    {"mount_height_m", mount_height_m},
                                    {"width_mhz", width_mhz},
                                    {"gain_dbi", gain_dbi},
                                    {"beamwidth_deg", beamwidth_deg},
                                    {"lobe_tilt_deg", lobe_tilt_deg},
                                    {"below_peak_db", below_peak_db},
                                    {"lobe_floor_db", lobe_floor_db},
                                    {"lobe_exponent", lobe_exponent},
                                    {"chains", chains},
                                    {"streams", streams},
                                    {"type_thickness_m", type_thickness_m},
                                    {"layer_thickness_m", layer_thickness_m},
                                    {"sheet_ohm", sheet_ohm},
                                    {"loss_db", loss_db},
                                    {"loss_frequency_ghz", loss_frequency_ghz},
                                    {"material_frequency_ghz", material_frequency_ghz},
                                    {"permittivity", permittivity},
                                    {"conductivity", conductivity},
                                    {"exponent", exponent},
                                    {"most_db", most_db},
                                    {"requirement_limit", requirement_limit},
                                    {"access_point_number", access_point_number},
                                    {"probe_number", probe_number},
                                    {"page", page}};
    return all;
}

std::span<const NamedText> texts_in_schema() {
    static constexpr NamedText all[] = {{"name", name},
                                        {"key", key},
                                        {"words", words},
                                        {"source_text", source},
                                        {"standard", standard},
                                        {"country", country},
                                        {"material_name", material_name}};
    return all;
}

}  // namespace limits
}  // namespace yemvo
