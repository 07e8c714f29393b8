// SPDX-License-Identifier: GPL-3.0-or-later
#include "cabling/cable_reach.h"

#include <cmath>

#include "cabling/cable_plan.h"

namespace yemvo {
namespace {

Project without_access_points(Project project) {
    for (Variant& v : project.variants) v.access_points.clear();
    return project;
}

std::vector<CableNode> closets_of(const CableNetwork& network) {
    std::vector<CableNode> out;
    for (const Floor* f : network.floors())
        for (const Closet& c : *f->closets) out.push_back(network.at(f->id, c.position));
    return out;
}

}  // namespace

CableReach::CableReach(const Project& project, const CancelToken& cancel)
    : site_(without_access_points(project)),
      network_(site_, cancel),
      closets_(closets_of(network_)),
      tree_(network_.from(closets_, 1e9, cancel)) {}

bool CableReach::holds_for(const Project& project) const {
    return site_.buildings == project.buildings && site_.cabling == project.cabling &&
           site_.wall_types == project.wall_types;
}

double CableReach::link_m(FloorId floor, Point place) const {
    return link_m(floor, place, network_.ways(network_.index_of(floor)).run_m());
}

bool CableReach::reaches(const Floor& floor, Point place) const {
    // where no way leads it is no number, and not less
    return link_m(floor.id, place, hanging_m(floor, place)) <= longest_link_m(site_.cabling) + 1e-9;
}

double CableReach::link_m(FloorId floor, Point place, double height_m) const {
    const CableNetwork::Near near = network_.nearest(tree_, floor, place);
    if (near.length_m == CableTree::nowhere) return std::nan("");
    const std::uint32_t end = closets_[network_.begin_of(tree_, near.node)].floor;
    const double up_m = std::abs(network_.ways(near.node.floor).run_m() - height_m),
                 down_m = std::abs(network_.ways(end).run_m() - site_.cabling.panel_m);
    return yemvo::link_m(site_.cabling, near.length_m + up_m + down_m);
}

std::vector<float> CableReach::links_m(const Surface& surface) const {
    std::vector<float> out(surface.cells());
    for (std::size_t i = 0; i < out.size(); ++i)
        out[i] = static_cast<float>(link_m(surface.floor, surface.centre(i)));
    return out;
}

}  // namespace yemvo
