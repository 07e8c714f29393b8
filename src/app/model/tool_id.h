// SPDX-License-Identifier: GPL-3.0-or-later
// The plan's tools by name.
#pragma once

namespace yemvo::app {

enum class ToolId {
    select,
    wall,
    door,
    window,
    zone,
    slab_void,
    access_point,
    scale,
    align,
    plate,
    wall_rectangle,
    wall_arc,
    follow,
    split,
    column,
    obstacle,
    ceiling,
    slab_area,
    shaft,
    note,
    ramp,
    probe,
    closet,
    device_row,
    listening_place,
    outlet,
    tray,
    riser,
};

}  // namespace yemvo::app
