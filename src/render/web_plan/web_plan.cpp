// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/web_plan/web_plan.h"

#include <cmath>
#include <cstdint>
#include <limits>
#include <nlohmann/json.hpp>
#include <set>

#include "embedded/web_plan.h"
#include "geometry/polygon.h"
#include "project/short_title.h"
#include "project/working_radio.h"
#include "render/report/plan_sheet.h"
#include "render/report/sections.h"
#include "render/report/styles.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::render {
namespace {

using Json = nlohmann::json;
using report::FloorFacts;
using report::FloorMap;
using report::ReportFacts;

std::string utf8(const QString& text) { return text.toStdString(); }
double cm(double metres) { return std::round(metres * 100) / 100; }

/// Tenths, deflated (zlib) and as base64: browsers undo both by themselves.
std::string packed(const std::vector<float>& values, const std::vector<std::uint8_t>& shown) {
    constexpr auto none = std::numeric_limits<std::int16_t>::min();
    QByteArray raw;
    raw.reserve(static_cast<qsizetype>(2 * values.size()));
    for (std::size_t i = 0; i < values.size(); ++i) {
        const bool has = shown[i] && std::isfinite(values[i]);
        const double tenths = has ? std::clamp(std::round(double{values[i]} * 10), -32767.0, 32767.0) : none;
        const auto bits = static_cast<std::uint16_t>(static_cast<std::int16_t>(tenths));
        raw.append(static_cast<char>(bits & 0xFF));
        raw.append(static_cast<char>(bits >> 8));
    }
    // without the four bytes of length that Qt puts before
    return qCompress(raw, 9).mid(4).toBase64().toStdString();
}

Json map_json(const FloorFacts& floor, const FloorMap& map) {
    const Surface& s = floor.prediction.surface;
    return {{"lens", lens(map.choice.lens).key},
            {"band", band(map.choice.bands.first()).name},
            {"limit", map.choice.threshold},
            {"columns", s.columns},
            {"rows", s.rows},
            {"cell", s.cell_m},
            {"x", s.origin.x},
            {"y", s.origin.y},
            {"data", packed(map.values, floor.prediction.mask->shown)}};
}

Json walls_json(const Project& project, const Floor& floor) {
    Json walls = Json::array();
    for (const Wall& w : *floor.walls) {
        const WallType& type = wall_type(project, w.type);
        Json points = Json::array();
        for (const Point& p : flattened(w)) points.push_back({cm(p.x), cm(p.y)});
        walls.push_back({{"points", points},
                         {"thick", type.thickness_m},
                         {"colour", utf8(report::print_palette().family(type.family).name())}});
        // an opening is a gap in white with its own line
        for (const Opening& o : w.openings) {
            const Segment at = span(w, o);
            const Json line{{cm(at.a.x), cm(at.a.y)}, {cm(at.b.x), cm(at.b.y)}};
            const WallType& filled = wall_type(project, o.type);
            walls.push_back({{"points", line}, {"thick", type.thickness_m}, {"colour", "#ffffff"}});
            walls.push_back({{"points", line},
                             {"thick", type.thickness_m / 4},
                             {"colour", utf8(report::print_palette().family(filled.family).name())}});
        }
    }
    return walls;
}

Json zones_json(const Floor& floor) {
    Json zones = Json::array();
    for (const Zone& z : *floor.zones) {
        const Point at = centroid(z.outline);
        double low = at.x, high = at.x;
        for (const Point& p : z.outline) {
            low = std::min(low, p.x);
            high = std::max(high, p.x);
        }
        zones.push_back({{"name", z.name}, {"x", cm(at.x)}, {"y", cm(at.y)}, {"width", cm(high - low)}});
    }
    return zones;
}

Json point_json(const Project& project, const Floor& floor, const AccessPoint& ap) {
    Json radios = Json::array();
    for (std::size_t i = 0; i < ap.radios.size(); ++i) {
        if (!is_at_work(project, ap, i)) continue;
        const Radio& r = ap.radios[i];
        radios.push_back({{"band", band(r.channel.band).name},
                          {"words", utf8(tr("channel %1, %2 MHz, %3 dBm")
                                             .arg(r.channel_open ? tr("open") : QString::number(r.primary))
                                             .arg(r.channel.width_mhz)
                                             .arg(figure(working_radio(project, ap, i).power_dbm)))}});
    }
    return {{"name", called(ap)},
            {"number", ap.number},
            {"model", model(project, ap.model).name},
            {"where", utf8(tr("%1, %2 above the floor")
                               .arg(QString::fromStdString(floor_title(project, floor)),
                                    local(format_length(ap.height_m, project.settings.units))))},
            {"x", cm(ap.position.x)},
            {"y", cm(ap.position.y)},
            {"radios", radios}};
}

Json floor_json(const ReportFacts& facts, const Floor& floor, const Box& box) {
    const Project& project = facts.project();
    Json maps = Json::array(), points = Json::array();
    if (const FloorFacts* of = facts.find(floor.id))
        for (const FloorMap& m : of->web_maps) maps.push_back(map_json(*of, m));
    for (const AccessPoint& ap : access_points(project, floor.id))
        points.push_back(point_json(project, floor, ap));
    return {{"name", short_title(project, floor)},
            {"box", {box.low.x, box.low.y, box.high.x, box.high.y}},
            {"walls", walls_json(project, floor)},
            {"zones", zones_json(floor)},
            {"points", points},
            {"maps", maps}};
}

Json lenses_json(const ReportFacts& facts) {
    Json all = Json::array();
    std::set<LensId> seen;
    for (const FloorFacts& f : facts.floors)
        for (const FloorMap& m : f.web_maps) {
            if (!seen.insert(m.choice.lens).second) continue;
            const LensInfo& info = lens(m.choice.lens);
            const MapScale scale = scale_of(m.choice);
            Json colours = Json::array();
            for (int i = 0; i < scale.steps; ++i) {
                const QColor c = scale.colour(report::print_palette(), i);
                colours.push_back({c.red(), c.green(), c.blue()});
            }
            all.push_back({{"key", info.key},
                           {"name", utf8(tr_mark(info.name))},
                           {"unit", utf8(tr_mark(info.unit))},
                           {"low", scale.low},
                           {"step", scale.step},
                           {"more", info.more_is_better},
                           {"colours", colours}});
        }
    return all;
}

Json verdict_json(const ReportFacts& facts) {
    const Verdict& v = facts.plan.verdict;
    Json rows = Json::array();
    for (const RequirementResult& r : v.requirements)
        if (r.asks())
            rows.push_back({{"name", utf8(said_text(requirement_name(r.requirement)))},
                            {"reached", utf8(percent(r.share_met()))},
                            {"met", r.met()}});
    return {{"words", utf8(v.met() ? tr("All requirements are met")
                                   : counted("%n requirement is not met", "%n requirements are not met",
                                             v.not_met()))},
            {"rows", rows}};
}

Json whole(const ReportFacts& facts) {
    const Project& project = facts.project();
    Json floors = Json::array(), bands = Json::object();
    int start = 0;
    const Floor* entry = entry_floor(project);
    for (const Floor* f : all_floors(project))
        if (const auto box = report::printed_box(project, *f)) {
            if (f == entry) start = static_cast<int>(floors.size());
            floors.push_back(floor_json(facts, *f, *box));
        }
    for (BandId b : {band_24, band_5, band_6})
        bands[band(b).name] = utf8(report::print_palette().band(b).solid.name());
    const QString revision = report::filled(facts.choice().revision, facts),
                  day = report::day_text(facts.plan.day);
    return {{"site", project.name},
            {"issued", utf8(revision.isEmpty() ? day : tr("Revision %1, %2").arg(revision, day))},
            {"start", start},
            {"floors", floors},
            {"lenses", lenses_json(facts)},
            {"bands", bands},
            {"verdict", verdict_json(facts)},
            {"words",
             {{"accessPoints", utf8(tr("Access points"))},
              {"find", utf8(tr("Find by name, floor or model"))},
              {"fit", utf8(tr("Whole floor"))},
              {"shows", utf8(tr("What the map shows"))},
              {"limit", utf8(tr("required: %1"))}}}};
}

}  // namespace

std::string web_plan(const ReportFacts& facts) {
    const auto page = embedded_web_plan("web_plan.html");
    std::string out(reinterpret_cast<const char*>(page.data()), page.size());
    // within a script element nothing may look like its end
    std::string data = whole(facts).dump(-1, ' ', true, Json::error_handler_t::replace);
    for (std::size_t at = data.find('<'); at != std::string::npos; at = data.find('<', at))
        data.replace(at, 1, "\\u003c");
    constexpr std::string_view place = "@DATA@";
    out.replace(out.find(place), place.size(), data);
    return out;
}

}  // namespace yemvo::render
