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

Said bound_text(double value, const Range& range, LengthUnits units) {
    if (std::string_view(range.unit) == "m") return said_length(value, units);
    const Said number = std::abs(value) < 1e7 ? said_figure(value, value == std::floor(value) ? 0 : 2)
                                              : say("%1 million", said_figure(value / 1e6, 0));
    return said_joined(" ", number, std::string(range.unit));
}

void placement(const char* field, const Similarity& s) {
    const std::string at = field;
    number((at + ".metres_per_unit").c_str(), mark("scale"), s.scale, limits::metres_per_unit);
    number((at + ".turn_deg").c_str(), mark("direction"), s.turn_deg, limits::angle_deg);
    place(at + ".shift_m", mark("place"), s.shift, limits::sheet_coordinate);
}

void source(const std::string& at, const DrawingSource& s) {
    text((at + ".asset").c_str(), mark("file name"), s.asset, limits::name);
    number((at + ".page").c_str(), mark("page"), s.page, limits::page);
    place(at + ".sheet[0]", mark("sheet"), s.sheet.low, limits::sheet_coordinate);
    place(at + ".sheet[1]", mark("sheet"), s.sheet.high, limits::sheet_coordinate);
    if (!(s.sheet.width() > 0) || !(s.sheet.height() > 0))
        broken(at + ".sheet", say("sheet"), say("must have a width and a height"));
    if (s.hidden_layers.size() > limits::hidden_layers)
        broken(at + ".hidden_layers", say("hidden layers"), say("are more than %1", limits::hidden_layers));
    for (std::size_t i = 0; i < s.hidden_layers.size(); ++i)
        text((at + ".hidden_layers[" + std::to_string(i) + "]").c_str(), mark("layer name"),
             s.hidden_layers[i], limits::words);
}

void radio(const Radio& r, std::size_t i) {
    const std::string at = indexed("radios", i) + ".";
    if (!is_valid(r.channel))
        broken(at + "channel", say("channel of radio %1", i + 1),
               say("is no channel of that band and width"));
    const auto inside = primaries(r.channel);
    if (std::find(inside.begin(), inside.end(), r.primary) == inside.end())
        broken(at + "primary", say("primary channel of radio %1", i + 1), say("lies outside the channel"));
    if (!limits::power_dbm.holds(r.power_dbm))
        throw RuleBroken{at + "power_dbm", say("power of radio %1", i + 1), {}, limits::power_dbm};
    if (r.without.size() > limits::networks)
        throw RuleBroken{at + "without_networks", say("networks of radio %1", i + 1),
                         say("may be at most %1", limits::networks)};
    if (!limits::cable_m.holds(r.cable_m))
        throw RuleBroken{at + "cable_m", say("cable of radio %1", i + 1), {}, limits::cable_m};
}

}  // namespace

Said RuleBroken::reason(LengthUnits units) const {
    if (!range) return what;
    return say("must lie between %1 and %2", bound_text(range->low, *range, units),
               bound_text(range->high, *range, units));
}

void check(const KnownLength& k) {
    place("a", mark("end"), k.a, limits::sheet_coordinate);
    place("b", mark("end"), k.b, limits::sheet_coordinate);
    number("length_m", mark("known length"), k.length_m, limits::known_length_m);
}

void check(const Drawing& d) {
    text("name", mark("name"), d.name, limits::name);
    source("source", d.source);
    corners("crop", d.crop, 3, limits::sheet_coordinate, true);
    placement("placement", d.placement);
    if (d.lengths.size() > limits::pairs)
        broken("lengths", say("known lengths"), say("are more than %1", limits::pairs));
    for (const KnownLength& k : d.lengths) check(k);
    number("opacity", mark("opacity"), d.opacity, limits::share);
    number("lighten", mark("lightening"), d.lighten, limits::share);
    if (!d.earlier) return;
    source("earlier.source", d.earlier->source);
    corners("earlier.crop", d.earlier->crop, 3, limits::sheet_coordinate, true);
    placement("earlier.placement", d.earlier->placement);
}

void check(const Slab& s) {
    number("slab.thickness_m", mark("slab thickness"), s.thickness_m, limits::slab_thickness_m);
}

void check(const Alignment& a) {
    if (a.pairs.size() > limits::pairs)
        broken("alignment.pairs", say("alignment"), say("has more than %1 pairs", limits::pairs));
    for (const PointPair& p : a.pairs) {
        place("alignment.pairs", mark("alignment"), p.here, limits::coordinate_m);
        place("alignment.pairs", mark("alignment"), p.there, limits::coordinate_m);
    }
}

void check(const Floor& f) {
    text("name", mark("name"), f.name, limits::name);
    number("elevation_m", mark("elevation"), f.elevation_m, limits::elevation_m);
    number("height_m", mark("storey height"), f.height_m, limits::storey_height_m);
    number("slope.x", mark("slope"), f.slope.x, limits::slope);
    number("slope.y", mark("slope"), f.slope.y, limits::slope);
    corners("plate", f.plate, 3, limits::coordinate_m, true);
    if (f.alignment) check(*f.alignment);
}

static void check(const AxisGrid& axes) {
    place("axes.origin_m", mark("place of the axes"), axes.origin, limits::coordinate_m);
    number("axes.turn_deg", mark("direction of the axes"), axes.turn_deg, limits::angle_deg);
    for (const auto& [field, spacings] :
         {std::pair{"axes.letters_m", &axes.letters_m}, std::pair{"axes.numbers_m", &axes.numbers_m}}) {
        if (spacings->size() > limits::axes)
            broken(field, say("axes"), say("are more than %1", limits::axes));
        for (const double s : *spacings) number(field, mark("distance of two axes"), s, limits::axis_m);
    }
    if (axes.letters_m.empty() != axes.numbers_m.empty())
        broken("axes", say("axes"), say("need lettered and numbered ones"));
}

void check(const Building& b) {
    text("name", mark("name"), b.name, limits::name);
    number("placement.turn_deg", mark("direction"), b.placement.turn_deg, limits::angle_deg);
    place("placement.shift_m", mark("place"), b.placement.shift, limits::coordinate_m);
    number("level_m", mark("level"), b.level_m, limits::elevation_m);
    check(b.axes);
    if (b.floors.size() > limits::floors)
        broken("floors", say("floors"), say("are more than %1", limits::floors));
}

static void on_site(const OnSite& s) {
    text("on_site.serial", mark("serial number"), s.serial, limits::name);
    text("on_site.photo", mark("photo's file name"), s.photo, limits::name);
    text("on_site.note", mark("note"), s.note, limits::words);
    if (!s.date.empty() && !is_day(s.date))
        broken("on_site.date", say("date"), say("is no day: it is written as 2026-03-01"));
    if (!s.address.empty() && address_text(s.address) != s.address)
        broken("on_site.address", say("address"), say("is none: it is written as 02:1e:5a:07:10:24"));
}

void check(const AccessPoint& ap) {
    number("number", mark("number"), ap.number, limits::access_point_number);
    place("position_m", mark("place"), ap.position, limits::coordinate_m);
    text("name", mark("name"), ap.name, limits::access_point_name);
    on_site(ap.on_site);
    number("height_m", mark("height"), ap.height_m, limits::mounting_m);
    number("azimuth_deg", mark("azimuth"), ap.azimuth_deg, limits::angle_deg);
    number("downtilt_deg", mark("downtilt"), ap.downtilt_deg, limits::tilt_deg);
    for (std::size_t i = 0; i < ap.radios.size(); ++i) radio(ap.radios[i], i);
    number("power_alternative", mark("way of using its power source"), ap.alternative,
           limits::power_alternative);
}

void check(const ClientProfile& c) {
    text("key", mark("key"), c.key, limits::key);
    text("name", mark("name"), c.name, limits::name);
    if (!find_standard(c.standard)) broken("standard", say("standard"), say("is not n, ac, ax or be"));
    number("streams", mark("streams"), c.streams, limits::streams);
    if (c.widest_mhz.empty()) broken("widest_mhz", say("widest channel"), say("needs at least one band"));
    for (const auto& [id, width_mhz] : c.widest_mhz)
        number("widest_mhz", mark("widest channel"), width_mhz, limits::width_mhz);
    number("power_dbm", mark("power"), c.power_dbm, limits::power_dbm);
    for (const auto& [id, own_dbm] : c.own_power_dbm)
        number("own_power_dbm", mark("power"), own_dbm, limits::power_dbm);
    number("noise_figure_db", mark("noise figure"), c.noise_figure_db, limits::noise_figure_db);
    number("gain_dbi", mark("antenna gain"), c.gain_dbi, limits::gain_dbi);
    number("leaves_dbm", mark("level at which it moves on"), c.leaves_dbm, limits::leaves_dbm);
    number("well_enough_dbm", mark("level down to which it prefers the higher band"), c.well_enough_dbm,
           limits::leaves_dbm);
}

void check(const Material& m) {
    text("name", mark("material"), m.name, limits::material_name);
    number("a", mark("constant a"), m.a, limits::permittivity);
    number("b", mark("constant b"), m.b, limits::exponent);
    number("c", mark("constant c"), m.c, limits::conductivity);
    number("d", mark("constant d"), m.d, limits::exponent);
    number("low_ghz", mark("valid from"), m.low_ghz, limits::material_frequency_ghz);
    number("high_ghz", mark("valid to"), m.high_ghz, limits::material_frequency_ghz);
}

void check(const Layer& l) {
    check(l.material);
    number("thickness_m", mark("layer thickness"), l.thickness_m, limits::layer_thickness_m);
    if (l.sheet_ohm != 0) number("sheet_ohm", mark("surface resistance"), l.sheet_ohm, limits::sheet_ohm);
}

void check(const WallType& t) {
    text("key", mark("key"), t.key, limits::key);
    text("name", mark("name"), t.name, limits::name);
    text("source", mark("source"), t.source, limits::source);
    text("note", mark("note"), t.note, limits::words);
    number("thickness_m", mark("thickness"), t.thickness_m, limits::type_thickness_m);
    number("spread", mark("spread"), t.spread, limits::share);
    number("most_db", mark("bound"), t.most_db, limits::most_db);
    if (t.losses.empty() && t.layers.empty())
        broken("losses", say("losses"), say("needs losses, or layers to compute them from"));
    if (t.losses.size() > limits::things || t.layers.size() > limits::layers)
        broken("layers", say("layers"), say("are more than %1", limits::layers));
    for (std::size_t i = 0; i < t.losses.size(); ++i) {
        const LossPoint& p = t.losses[i];
        const std::string at = indexed("losses", i) + ".";
        number((at + "frequency_ghz").c_str(), mark("frequency"), p.frequency_ghz,
               limits::loss_frequency_ghz);
        for (const auto& [field, value] : {std::pair("loss_db", p.loss_db), std::pair("low_db", p.low_db),
                                           std::pair("high_db", p.high_db)})
            number((at + field).c_str(), mark("loss"), value, limits::loss_db);
        if (i > 0 && p.frequency_ghz <= t.losses[i - 1].frequency_ghz)
            broken(at + "frequency_ghz", say("losses"),
                   say("must have a higher frequency than the one before"));
        if (p.low_db > p.loss_db || p.high_db < p.loss_db)
            broken(at + "low_db", say("losses"),
                   say("must have low_db at most and high_db at least loss_db"));
    }
    for (std::size_t i = 0; i < t.layers.size(); ++i) check(t.layers[i]);
}

void check(const Requirement& r) {
    text("lens", mark("lens"), r.lens, limits::key);
    if (r.bands.empty()) broken("bands_ghz", say("bands"), say("needs at least one band"));
    number("limit", mark("limit"), r.limit, limits::requirement_limit);
    for (const auto& [id, limit] : r.band_limits)
        number("band_limits", mark("limit of a band"), limit, limits::requirement_limit);
    number("share_required", mark("share of area"), r.share_required, limits::share);
}

void check(const RequirementSet& set) {
    text("name", mark("name"), set.name, limits::name);
    text("hour", mark("busy hour"), set.hour, limits::key);
    for (const Requirement& r : set.requirements) check(r);
}

void check(const Variant& v) { text("name", mark("name"), v.name, limits::name); }

void check(const Waiver& w) {
    text("rule", mark("rule"), w.rule, limits::key);
    text("note", mark("note"), w.note, limits::words);
}

void check(const AirBook& book) {
    if (book.limits.size() > limits::rule_limits)
        broken("limits", say("limits of rules"), say("may be at most %1", limits::rule_limits));
    for (const auto& [key, value] : book.limits) {
        text("limits", mark("rule"), key, limits::key);
        number("limits", mark("limit of a rule"), value, limits::rule_limit);
    }
    if (book.radar.size() > limits::radar_channels)
        broken("radar_channels", say("channels with radar"),
               say("may be at most %1", limits::radar_channels));
    for (int channel : book.radar)
        if (!is_valid({band_5, channel, 20}))
            broken("radar_channels", say("channels with radar"),
                   say("%1 is no 20 MHz channel at 5 GHz", channel));
}

void check(const CablingBook& b) {
    number("slack_share", mark("slack"), b.slack_share, limits::share);
    number("slack_m", mark("slack at the ends"), b.slack_m, limits::cable_m);
    number("cords_m", mark("length of the cords"), b.cords_m, limits::cable_m);
    number("most_link_m", mark("longest link"), b.most_link_m, limits::cable_m);
    number("most_channel_m", mark("longest channel"), b.most_channel_m, limits::cable_m);
    number("panel_m", mark("height of the panel"), b.panel_m, limits::mounting_m);
    number("below_top_m", mark("depth below the slab"), b.below_top_m, limits::mounting_m);
    number("outlet_reach_m", mark("reach of an outlet"), b.outlet_reach_m, limits::cable_m);
    number("budget_share", mark("share of a switch"), b.budget_share, limits::share);
    text("cable", mark("name of the cable"), b.cable, limits::name);
}

void check(const ReportChoice& c) {
    text("title", mark("title"), c.title, limits::name);
    text("customer", mark("customer"), c.customer, limits::name);
    text("author", mark("author"), c.author, limits::name);
    text("revision", mark("revision"), c.revision, limits::name);
    text("words", mark("words"), c.words, limits::words);
    text("logo", mark("logo's file name"), c.logo, limits::name);
    text("paper", mark("paper"), c.paper, limits::key);
    text("sheet", mark("paper of plans"), c.sheet, limits::key);
    number("scale", mark("scale"), c.scale, limits::print_scale);
    if (c.maps.size() > limits::report_maps)
        broken("maps", say("maps of the report"), say("may be at most %1", limits::report_maps));
    if (c.sections.size() > limits::report_sections)
        broken("sections", say("sections of the report"), say("may be at most %1", limits::report_sections));
}

static void naming(const NamingScheme& n) {
    text("naming.pattern", mark("pattern of names"), n.pattern, limits::key);
    number("naming.digits", mark("digits of a name"), n.digits, limits::name_digits);
    number("naming.first", mark("first number"), n.first, limits::access_point_number);
}

void check(const HandoverBook& b) {
    check(b.report);
    naming(b.naming);
    if (!b.anchor) return;
    place("anchor.site_m", mark("place"), b.anchor->site_m, limits::coordinate_m);
    number("anchor.latitude_deg", mark("latitude"), b.anchor->latitude_deg, limits::latitude_deg);
    number("anchor.longitude_deg", mark("longitude"), b.anchor->longitude_deg, limits::longitude_deg);
    number("anchor.bearing_deg", mark("bearing"), b.anchor->bearing_deg, limits::angle_deg);
}

void check(const Probe& p) {
    number("number", mark("number"), p.number, limits::probe_number);
    place("place_m", mark("place"), p.place, limits::coordinate_m);
}

void check(const LensColours& c) {
    text("lens", mark("lens"), c.lens, limits::key);
    number("low", mark("low end"), c.low, limits::colours_low);
    number("step", mark("step"), c.step, limits::colours_step);
    text("palette", mark("palette"), c.palette, limits::key);
}

void check(const SiteSettings& s) {
    text("country", mark("country"), s.country, limits::country);
    number("client_height_m", mark("client height"), s.client_height_m, limits::client_height_m);
    number("client_noise_figure_db", mark("noise figure"), s.client_noise_figure_db, limits::noise_figure_db);
    text("client", mark("client profile"), s.client, limits::key);
    number("heard_dbm", mark("level heard"), s.heard_dbm, limits::heard_dbm);
    number("grid_m", mark("grid"), s.grid_m, limits::grid_m);
}

namespace {

/// Tells a broken rule of one thing as a person would want to hear it.
class EditCheck {
public:
    EditCheck(const Project* before, const Project& after) : before_(before), after_(after) {}

    void run() {
        named(say("project"), [&] { text("name", mark("name"), after_.name, limits::name); });
        named(say("settings"), [&] { check(after_.settings); });
        list(after_.wall_types, before_ ? &before_->wall_types : nullptr,
             [](const WallType& t) { return say("wall type %1", t.name); });
        list(after_.models, before_ ? &before_->models : nullptr,
             [](const AccessPointModel& m) { return say("model %1", m.name); });
        list(after_.antennas, before_ ? &before_->antennas : nullptr,
             [](const AntennaModel& a) { return say("antenna %1", a.name); });
        list(after_.cables, before_ ? &before_->cables : nullptr,
             [](const CableType& c) { return say("cable %1", c.name); });
        list(after_.clients, before_ ? &before_->clients : nullptr,
             [](const ClientProfile& c) { return say("client profile %1", c.name); });
        list(after_.demand.applications, before_ ? &before_->demand.applications : nullptr,
             [](const Application& a) { return say("application %1", a.name); });
        list(after_.demand.networks, before_ ? &before_->demand.networks : nullptr,
             [](const Network& n) { return say("network %1", n.name); });
        for (const BusyHour& h : after_.demand.hours) named(say("busy hour %1", h.name), [&] { check(h); });
        named(say("uplink"), [&] { check(after_.demand.uplink); });
        named(say("air"), [&] { check(after_.air); });
        named(say("cabling"), [&] { check(after_.cabling); });
        named(say("handover"), [&] { check(after_.handover); });
        list(after_.requirement_sets, before_ ? &before_->requirement_sets : nullptr,
             [](const RequirementSet& s) { return say("requirement set %1", s.name); });
        list(after_.waivers, before_ ? &before_->waivers : nullptr,
             [](const Waiver&) { return say("waiver"); });
        list(after_.probes, before_ ? &before_->probes : nullptr,
             [](const Probe& p) { return say("probe P%1", p.number); });
        for (const LensColours& c : after_.display.colours)
            named(say("colours of %1", c.lens), [&] { check(c); });
        for (const Building& b : after_.buildings) {
            named(say("building %1", b.name), [&] { check(b); });
            for (const Floor& f : b.floors) floor(f);
        }
        for (const Variant& v : after_.variants) variant(v);
    }

private:
    template <class Rules>
    void named(const Said& thing, Rules rules) const {
        try {
            rules();
        } catch (const RuleBroken& rule) {
            const Said name = said_first(said_shortened(thing, most_name));
            const Said reason = rule.reason(after_.settings.units);
            throw Error(on_.empty() ? say("%1: its %2 %3", name, rule.words, reason)
                                    : say("%1 on %2: its %3 %4", name, on_, rule.words, reason),
                        {}, say("Nothing was changed"));
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
            throw Error(on_.empty() ? say("more than %1 things of a kind", limits::things)
                                    : say("more than %1 things of a kind on %2", limits::things, on_),
                        {}, say("Nothing was changed"));
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
        named(say("floor %1", f.name), [&] { check(f); });
        on_ = shortened(f.name, most_name);
        if (!then || !f.slab.same(then->slab)) named(say("slab"), [&] { check(*f.slab); });
        each_kind([&]<class Thing>() {
            if (!then || !KindOf<Thing>::same(f, *then)) things(KindOf<Thing>::list(f), KindOf<Thing>::label);
        });
        list(f.drawings, then ? &then->drawings : nullptr,
             [](const Drawing& d) { return say("drawing %1", d.name); });
        on_.clear();
    }
    void variant(const Variant& v) {
        named(say("variant %1", v.name), [&] { check(v); });
        const Variant* then = nullptr;
        if (before_)
            for (const Variant& old : before_->variants)
                if (old.id == v.id) then = &old;
        for (const auto& [floor, aps] : v.access_points) {
            const auto old = then ? then->access_points.find(floor) : v.access_points.end();
            const bool known = then && old != then->access_points.end();
            if (const Floor* f = find_floor(after_, floor)) on_ = shortened(f->name, most_name);
            list(aps, known ? &old->second : nullptr,
                 [](const AccessPoint& ap) { return say("access point %1", ap.number); });
            on_.clear();
        }
    }

    const Project* before_;
    const Project& after_;
    std::string on_;  ///< "First floor"
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
                                    {"most_clients", most_clients},
                                    {"watts", watts},
                                    {"power_alternative", power_alternative},
                                    {"size_mm", size_mm},
                                    {"weight_kg", weight_kg},
                                    {"price", price},
                                    {"pattern_frequency_mhz", pattern_frequency_mhz},
                                    {"cable_loss_db_per_m", cable_loss_db_per_m},
                                    {"cable_ends_db", cable_ends_db},
                                    {"cable_m", cable_m},
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
                                    {"people", people},
                                    {"people_per_m2", people_per_m2},
                                    {"devices_a_head", devices_a_head},
                                    {"presence", presence},
                                    {"growth", growth},
                                    {"mix_share", mix_share},
                                    {"demand_mbps", demand_mbps},
                                    {"packet_bytes", packet_bytes},
                                    {"burst", burst},
                                    {"needed_dbm", needed_dbm},
                                    {"leaves_dbm", leaves_dbm},
                                    {"beacon_bytes", beacon_bytes},
                                    {"counted", counted},
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
