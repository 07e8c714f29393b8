// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/json_requirements.h"

#include "project/json_lists.h"

namespace yemvo {
namespace {

Json write_requirement(const Requirement& r) {
    return {
        {"id", r.id.value},
        {"lens", r.lens},
        {"bands_ghz", write_list(r.bands.list(), [](BandId id) { return Json(band(id).name); })},
        {"any_band", r.any_band},
        {"limit", r.limit},
        {"band_limits", write_list(r.band_limits,
                                   [](const auto& own) {
                                       return Json{{"band_ghz", band(own.first).name}, {"limit", own.second}};
                                   })},
        {"share_required", r.share_required}};
}

double read_limit(const Reader& r) { return r.number(); }

BandSet read_bands(const Reader& list) {
    BandSet set;
    for (const Reader& b : list.items(20)) set = set.with(b.word(find_band));
    return set;
}

Requirement read_requirement(const Reader& r) {
    Requirement q;
    if (const auto id = r.find("id")) q.id = id->id<RequirementId>();
    q.lens = r.at("lens").text();
    q.limit = read_limit(r.at("limit"));
    q.share_required = r.at("share_required").number();
    q.bands = read_bands(r.at("bands_ghz"));
    q.any_band = r.at("any_band").boolean();
    q.band_limits = read_list_if_any<std::pair<BandId, double>>(r, "band_limits", [](const Reader& own) {
        return std::pair(own.at("band_ghz").word(find_band), read_limit(own.at("limit")));
    });
    return r.kept(std::move(q));
}

}  // namespace

Json write_requirement_set(const RequirementSet& set) {
    Json json{{"id", set.id.value},
              {"name", set.name},
              {"on", set.on},
              {"zones", write_list(set.zones, [](ZoneId id) { return Json(id.value); })},
              {"kinds", write_list(set.kinds, [](ZoneKind kind) { return Json(zone_kind_name(kind)); })},
              {"requirements", write_list(set.requirements, write_requirement)}};
    if (!set.hour.empty()) json["hour"] = set.hour;
    return json;
}

RequirementSet read_requirement_set(const Reader& r) {
    RequirementSet set;
    if (const auto id = r.find("id")) set.id = id->id<RequirementSetId>();
    set.name = r.at("name").text();
    if (const auto on = r.find("on")) set.on = on->boolean();
    set.zones = read_list_if_any<ZoneId>(r, "zones", [](const Reader& z) { return z.id<ZoneId>(); });
    set.kinds =
        read_list_if_any<ZoneKind>(r, "kinds", [](const Reader& k) { return k.word(find_zone_kind); });
    set.requirements = read_list<Requirement>(r.at("requirements"), read_requirement);
    if (const auto hour = r.find("hour")) set.hour = hour->text(limits::key);
    return r.kept(std::move(set));
}

}  // namespace yemvo
