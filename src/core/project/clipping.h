// SPDX-License-Identifier: GPL-3.0-or-later
// Things taken out of a project, to be put into the same or another one, also by way of the clipboard.
#pragma once
#include "project/items.h"
#include "project/kinds/all.h"

namespace yemvo {

/// Things taken out of a project with all they need, to be put into the same or another one.
struct Clipping {
    /// A list a kind that floors hold (kinds/all.h).
    struct Lists {
        template <class Thing>
        std::vector<Thing>& of() {
            return std::get<std::vector<Thing>>(lists);
        }
        template <class Thing>
        const std::vector<Thing>& of() const {
            return std::get<std::vector<Thing>>(lists);
        }
        ListsOf<FloorThings>::Tuple lists;
    } things;
    std::vector<AccessPoint> access_points;
    std::vector<WallType> types;
    std::vector<AccessPointModel> models;
    std::vector<AntennaModel> antennas;
    std::vector<CableType> cables;
    std::size_t count() const;
};
/// Openings come along with their walls only; photos of notes stay behind.
Clipping clip(const Project&, const Floor&, const std::vector<Item>&);
/// With new ids, numbers and groups; types, models, antennas and cables are matched by key and added where
/// the project lacks them. Gives what was made.
std::vector<Item> paste(Project&, FloorId, const Clipping&, const Motion&);
/// Middle of what it covers; none for an empty one.
std::optional<Point> middle(const Clipping&);

/// As text for the clipboard; the reader throws Error for anything else.
std::string clipping_to_json(const Clipping&);
Clipping clipping_from_json(std::string_view);

}  // namespace yemvo
