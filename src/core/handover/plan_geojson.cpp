// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cmath>
#include <nlohmann/json.hpp>

#include "handover/plan_files.h"
#include "handover/site_place.h"
#include "handover/tables.h"

namespace yemvo {
namespace {

using Json = nlohmann::ordered_json;

double rounded(double v, double step) { return std::round(v / step) * step; }

/// The outline runs counter-clockwise.
bool runs_left(const std::vector<Point>& outline) {
    double twice = 0;
    for (std::size_t i = 0; i < outline.size(); ++i) {
        const Point a = outline[i], b = outline[(i + 1) % outline.size()];
        twice += a.x * b.y - b.x * a.y;
    }
    return twice > 0;
}

class Features {
public:
    explicit Features(const Project& p) : project_(p) {}

    void floor(const Floor& f) {
        floor_ = &f;
        for (const Wall& w : *f.walls) {
            Json about = named("wall", {});
            about["type"] = wall_type(project_, w.type).name;
            add(line(flattened(w)), std::move(about));
        }
        for (const Zone& z : *f.zones) {
            Json about = named("zone", z.name);
            about["use"] = zone_kind_name(z.kind);
            add(ring(z.outline), std::move(about));
        }
        for (const Tray& t : *f.trays) add(line(t.points), named("tray", t.name));
        for (const Closet& c : *f.closets) add(point(c.position), named("closet", c.name));
        for (const Outlet& o : *f.outlets) add(point(o.position), named("outlet", o.name));
        for (const Riser& r : *f.risers) add(point(r.position), named("riser", r.name));
        for (const AccessPoint& ap : access_points(project_, f.id)) access_point(ap);
    }

    Json take() { return std::move(all_); }

private:
    Json place(Point p) const {
        const Point site = on_site(project_, *floor_, p);
        const auto& anchor = project_.handover.anchor;
        if (!anchor) return {rounded(site.x, 0.001), rounded(site.y, 0.001)};
        const LatLong at = on_earth(*anchor, site);
        return {rounded(at.longitude_deg, 1e-9), rounded(at.latitude_deg, 1e-9)};
    }
    Json point(Point p) const { return {{"type", "Point"}, {"coordinates", place(p)}}; }
    Json line(const std::vector<Point>& points) const {
        Json places = Json::array();
        for (const Point& p : points) places.push_back(place(p));
        return {{"type", "LineString"}, {"coordinates", places}};
    }
    /// Outer rings run counter-clockwise and end where they begin (RFC 7946, 3.1.6).
    Json ring(std::vector<Point> outline) const {
        if (!runs_left(outline)) std::reverse(outline.begin(), outline.end());
        outline.push_back(outline.front());
        Json places = line(outline)["coordinates"];
        return {{"type", "Polygon"}, {"coordinates", Json::array({places})}};
    }
    Json named(const char* kind, const std::string& name) const {
        Json about{{"kind", kind}, {"floor", floor_title(project_, *floor_)}, {"elevation_m", elevation()}};
        if (!name.empty()) about["name"] = name;
        return about;
    }
    double elevation() const { return building_with(project_, floor_->id).level_m + floor_->elevation_m; }
    void access_point(const AccessPoint& ap) {
        Json about = named("access point", called(ap));
        about["number"] = ap.number;
        about["model"] = model(project_, ap.model).name;
        about["height_m"] = ap.height_m;
        about["azimuth_deg"] = ap.azimuth_deg;
        about["tilt_deg"] = ap.downtilt_deg;
        about["state"] = site_state(ap.on_site.state).key;
        Json radios = Json::array();
        for (const Radio& r : ap.radios)
            if (r.on)
                radios.push_back({{"band_ghz", band(r.channel.band).name},
                                  {"channel", r.primary},
                                  {"width_mhz", r.channel.width_mhz},
                                  {"power_dbm", r.power_dbm}});
        about["radios"] = radios;
        add(point(ap.position), std::move(about));
    }
    void add(Json geometry, Json about) {
        all_.push_back(
            {{"type", "Feature"}, {"geometry", std::move(geometry)}, {"properties", std::move(about)}});
    }

    const Project& project_;
    const Floor* floor_ = nullptr;
    Json all_ = Json::array();
};

}  // namespace

std::string plan_geojson(const Project& project) {
    Features features(project);
    for (const Floor* f : all_floors(project)) features.floor(*f);
    const bool on_earth = project.handover.anchor.has_value();
    const Json all{
        {"type", "FeatureCollection"},
        {"yemvo",
         {{"site", project.name},
          {"coordinates", on_earth ? "longitude and latitude, WGS 84"
                                   : "metres of the site, east and north: the site has no place on Earth"}}},
        {"features", features.take()}};
    return all.dump(1) + "\n";
}

}  // namespace yemvo
