// SPDX-License-Identifier: GPL-3.0-or-later
// The words the demo floors are written in.
#pragma once
#include <string>
#include <vector>

#include "project/edits.h"

namespace yemvo::demo {

class Composer {
public:
    Composer(Project& project, FloorId floor) : project_(project), floor_(floor) {}

    void wall(const char* type, std::vector<Point> points, double base_m = 0, double top_m = 0);
    /// Closed round, the last corner back to the first.
    void ring(const char* type, std::vector<Point> points);
    /// An opening centred near `at`, in the nearest wall; `flip` turns the hinge, `other` the side.
    void door(const char* type, Point at, double width_m = 0.9, bool flip = false, bool other = false,
              double head_m = 2.1);
    void window(const char* type, Point at, double width_m, double sill_m = 0.9, double head_m = 2.5);
    /// Windows of one width at equal distances from `first`, the middle of the first one.
    void windows(const char* type, Point first, Point step, int count, double width_m, double sill_m = 0.9,
                 double head_m = 2.5);
    ZoneId zone(const char* name, std::vector<Point> outline, ZoneKind kind = ZoneKind::served);
    void obstacle(const char* type, ObstacleKind, const char* name, std::vector<Point> outline, double top_m);
    /// In a rectangle, as one group.
    void rows(const char* type, ObstacleKind, const char* name, Point low, Point high, const RowsWanted&,
              double top_m);
    /// Square, of concrete, from slab to slab.
    void column(Point at, double side_m);
    void ceiling(const char* name, const char* type, std::vector<Point> outline, double height_m);
    void slab_area(const char* name, const char* type, std::vector<Point> outline);
    void note(const char* text, Point at);
    void hole(const char* name, std::vector<Point> outline);
    static std::vector<Point> box(double x0, double y0, double x1, double y1);

    struct Tuning {
        int primary, width_mhz;
        double power_dbm;
    };
    /// Radios in the order of the model; a width of 0 leaves that radio off.
    AccessPointId access_point(const char* model, Point at, double height_m, std::vector<Tuning> radios,
                               double azimuth_deg = 0, double downtilt_deg = 0);
    /// Another antenna on a radio of an access point, and the cable that leads to it.
    void antenna(AccessPointId, std::size_t radio, const char* key, const char* cable, double cable_m);

private:
    void opening(Opening, Point at);
    WallTypeId type(const char* key) const;
    Project& project_;
    FloorId floor_;
};

/// Stairs, lifts and toilets, the same on every floor.
void compose_core(Composer&);
void compose_basement(Composer);
void compose_second(Composer);
void compose_ground(Composer);
void compose_first(Composer);
void compose_garden(Composer);
/// Once every floor has its zones.
void compose_demand(Project&);
void compose_cabling(Project&);
void compose_handover(Project&);

}  // namespace yemvo::demo
