// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/json_out.h"

#include <cmath>
#include <string>

namespace yemvo::cli {

double rounded(double value, int digits) {
    const double scale = std::pow(10.0, digits);
    return std::round(value * scale) / scale;
}

double band_ghz(BandId id) { return std::stod(band(id).name); }

Json bands_ghz(BandSet set) {
    Json list = Json::array();
    for (BandId id : set.list()) list.push_back(band_ghz(id));
    return list;
}

Json to_json(const Project& project) {
    Json floors = Json::array();
    for (const Floor* f : all_floors(project)) {
        std::size_t openings = 0;
        for (const Wall& w : *f->walls) openings += w.openings.size();
        floors.push_back({{"name", f->name},
                          {"building", building_with(project, f->id).name},
                          {"elevation_m", f->elevation_m},
                          {"height_m", f->height_m},
                          {"walls", f->walls->size()},
                          {"openings", openings},
                          {"zones", f->zones->size()},
                          {"access_points", access_points(project, f->id).size()}});
    }
    return {{"project", project.name}, {"country", project.settings.country}, {"floors", floors}};
}

Json to_json(const LinkExplanation& link) {
    Json terms = Json::array();
    for (const LinkTerm& t : link.terms)
        terms.push_back(
            {{"kind", term_kind_name(t.kind)}, {"name", t.name.english()}, {"db", rounded(t.db, 4)}});
    return {{"access_point", link.number},
            {"band_ghz", band_ghz(link.channel.band)},
            {"channel", link.primary},
            {"width_mhz", link.channel.width_mhz},
            {"centre_mhz", centre_mhz(link.channel)},
            {"distance_m", rounded(link.distance_m, 3)},
            {"terms", terms},
            {"received_dbm", rounded(link.received_dbm, 4)},
            {"deviation_db", rounded(total_deviation_db(link.deviation_db), 2)},
            {"noise_dbm", rounded(link.noise_dbm, 4)},
            {"snr_db", rounded(link.snr_db(), 4)}};
}

static Json shares_by_band(const Requirement& r, const PlaceResult& place) {
    Json shares = Json::object();
    for (BandId b : r.bands.list()) shares[band(b).name] = rounded(place.share_met(b), 4);
    return shares;
}

static const char* counts_name(RequirementCounts counts) {
    return counts == RequirementCounts::area      ? "area"
           : counts == RequirementCounts::clients ? "clients"
                                                  : "radios";
}

Json to_json(const Project& project, const Verdict& verdict) {
    Json list = Json::array();
    for (const RequirementResult& r : verdict.requirements) {
        Json floors = Json::array();
        for (const PlaceResult& f : r.floors) {
            Json entry{{"name", find_floor(project, f.floor)->name},
                       {"building", building_with(project, f.floor).name},
                       {"share_met", rounded(r.share_met(f), 4)},
                       {"by_band", shares_by_band(r.requirement, f)}};
            if (!f.hour.empty()) entry["busy_hour"] = f.hour;
            if (f.worst)
                entry["worst"] = {{"x_m", rounded(f.worst->place.x, 3)},
                                  {"y_m", rounded(f.worst->place.y, 3)},
                                  {"band_ghz", band_ghz(f.worst->band)},
                                  {"value", rounded(f.worst->value, 2)}};
            floors.push_back(entry);
        }
        Json requirement{{"name", requirement_name(r.requirement).english()},
                         {"set", find_requirement_set(project, r.set)->name},
                         {"group", lens_group_name(required_lens(r.requirement).group)},
                         {"lens", r.requirement.lens},
                         {"counts", counts_name(required_lens(r.requirement).counts)},
                         {"asked", rounded(r.site.asked, 1)},
                         {"bands_ghz", bands_ghz(r.requirement.bands)},
                         {"any_band", r.requirement.any_band},
                         {"limit", r.requirement.limit},
                         {"share_required", r.requirement.share_required},
                         {"share_met", rounded(r.share_met(), 4)},
                         {"by_band", shares_by_band(r.requirement, r.site)},
                         {"met", r.met()},
                         {"floors", floors}};
        if (!r.site.hour.empty()) requirement["busy_hour"] = r.site.hour;
        list.push_back(requirement);
    }
    Json coarse = Json::array();
    for (const CoarseFloor& c : verdict.coarse)
        coarse.push_back({{"name", find_floor(project, c.floor)->name}, {"grid_m", c.cell_m}});
    Json json{{"met", verdict.met()},
              {"judged_m2", rounded(verdict.demanded_m2(), 2)},
              {"grid_m", verdict.grid_m},
              {"coarser_floors", coarse},
              {"requirements", list}};
    if (const auto& u = verdict.uplink)
        json["uplink"] = {{"busy_hour", u->hour},
                          {"down_share", rounded(u->down_share, 4)},
                          {"up_share", rounded(u->up_share, 4)},
                          {"allowed", u->allowed},
                          {"met", u->met()}};
    return json;
}

}  // namespace yemvo::cli
