// SPDX-License-Identifier: GPL-3.0-or-later
// What a new project starts with: the wall types, models, client profiles and requirement sets of data/,
// which are built into the program.
#pragma once
#include <vector>

#include "demand/demand_book.h"
#include "demand/zone_demand.h"
#include "gear/antenna_model.h"
#include "gear/client.h"
#include "gear/model.h"
#include "project/requirement.h"
#include "venue/wall_type.h"

namespace yemvo {

/// Without ids: a project gives its own.
std::vector<WallType> standard_wall_types();
/// By ITU-R P.2040-2.
std::vector<Material> standard_materials();
std::vector<AccessPointModel> standard_models();
std::vector<AntennaModel> standard_antennas();
std::vector<CableType> standard_cables();
std::vector<ClientProfile> standard_clients();
/// Applications and one busy hour.
DemandBook standard_demand();
/// What people in rooms of a kind usually do: a start for a zone's demand.
struct ZoneUse {
    std::string key, name;
    ZoneDemand demand;
};
std::vector<ZoneUse> standard_uses();
/// The same for rows of fixed devices.
std::vector<ZoneUse> standard_devices();
/// Requirement sets to begin with; the first is what a new project has.
std::vector<RequirementSet> standard_requirement_sets();
/// What the standard set of that name is for, in a sentence; empty for any other.
std::string about_requirement_set(const std::string& name);

}  // namespace yemvo
