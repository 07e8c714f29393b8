// SPDX-License-Identifier: GPL-3.0-or-later
// Edits of the gear that a project carries: models, antennas. References of access points stay whole.
#pragma once
#include <vector>

#include "base/said.h"
#include "project/project.h"

namespace yemvo {

/// What an access point becomes as one of another model: place, aim, height, number, and of each radio what
/// the new one can do. Radios are matched by band, in their order; one that has no match is as new.
/// `changed`: a sentence for each setting that could not be kept.
AccessPoint as_model(const Project&, const AccessPoint&, const AccessPointModel&, std::vector<Said>& changed);

/// The radio switched to another of its model's bands: on as it was, all else as a new one has it there.
Radio in_band(const Project&, const AccessPoint&, std::size_t radio, BandId);

/// In the current variant. Gives what could not be kept, by access point.
struct ModelChange {
    int number;  ///< of the access point
    std::vector<Said> changed;
};
std::vector<ModelChange> set_model(Project&, const std::vector<AccessPointId>&, ModelId);

/// With an id of its own, and a key that no other has.
ModelId add_model(Project&, AccessPointModel);
/// Access points of it, in every variant, stay as they are where they can, and else keep what the new one can
/// do.
void replace_model(Project&, const AccessPointModel&);
/// Throws Error while any variant has an access point of it, and for the last one.
void remove_model(Project&, ModelId);
/// In all variants.
std::size_t uses_of_model(const Project&, ModelId);

AntennaId add_antenna(Project&, AntennaModel);
void replace_antenna(Project&, const AntennaModel&);
/// Throws Error while any variant has it on a radio.
void remove_antenna(Project&, AntennaId);
std::size_t uses_of_antenna(const Project&, AntennaId);

}  // namespace yemvo
