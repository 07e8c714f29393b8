// SPDX-License-Identifier: GPL-3.0-or-later
// What the tools make next: types, heights, shapes.
#pragma once
#include <QObject>
#include <memory>
#include <optional>
#include <string>

#include "project/edits.h"

namespace yemvo {
struct HeardAir;
}

namespace yemvo::app {

/// Which line of a wall is drawn.
enum class WallFace { centre, left, right };

/// How the next obstacle is made.
enum class ObstacleShape { area, rows };

struct NextKinds {
    WallTypeId wall_type, door_type, window_type;
    ModelId model;
    ZoneKind zone_kind = ZoneKind::served;
    std::optional<double> wall_top_m;
    WallFace wall_face = WallFace::centre;
    bool wall_to_ceiling = false;
    double wall_base_m = 0;
    double door_width_m = 0.9, door_head_m = 2.1;
    bool door_open = false;
    double window_width_m = 1.5, window_sill_m = 0.9, window_head_m = 2.2;
    ObstacleKind obstacle_kind = ObstacleKind::shelving;
    WallTypeId obstacle_type, column_type, ceiling_type, slab_type, shaft_type, ramp_type;
    ObstacleShape obstacle_shape = ObstacleShape::area;
    double obstacle_top_m = 2.2;
    RowsWanted rows;
    bool column_round = false;
    double column_width_m = 0.4, column_depth_m = 0.4;
    double ceiling_height_m = 2.7;
    bool ceiling_hung = true;
    std::string shaft_name = "Lift";
    bool take_room = false;  ///< a click takes the room round it instead of a drawn outline
    double room_gap_m = 0.3;
    int zone_colour = 0;
    std::shared_ptr<const HeardAir> heard;  ///< a capture, for the next listening place; null: nothing
    std::string heard_from;                 ///< its name
};

class NextThings : public QObject {
    Q_OBJECT
public:
    const NextKinds& kinds() const { return kinds_; }
    const NextKinds* operator->() const { return &kinds_; }
    template <class Change>
    void change(Change change) {
        change(kinds_);
        emit changed();
    }
    /// For the workspace, which tells afterwards: what suits a project just opened.
    void start(const Project&);
    /// The same: types and models that an edit took away are not drawn with; true when there were any.
    bool drop_what_is_gone(const Project&);

signals:
    void changed();

private:
    NextKinds kinds_;
};

}  // namespace yemvo::app
