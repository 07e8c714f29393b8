// SPDX-License-Identifier: GPL-3.0-or-later
// What must hold of each thing by itself, whoever made it: an edit, a file, a paste. What must hold between
// things (ids, references) stands in validation.h.
#pragma once
#include <optional>
#include <string>

#include "base/error.h"
#include "project/limits.h"
#include "project/project.h"

namespace yemvo {

struct MeasuredPattern;

/// Which field of a thing breaks which limit.
struct RuleBroken {
    std::string field;  ///< as a file names it: "points[3][0]", "height_m"
    Said words;         ///< as a person does: "corner 4", "height"
    Said what;          ///< "must have at least 3 corners"; empty where `range` says it
    std::optional<Range> range = {};
    /// What is wrong, with lengths in these units.
    Said reason(LengthUnits = LengthUnits::metres) const;
};

/// Each throws RuleBroken.
void check(const Wall&);
void check(const Opening&);
void check(const Zone&);
void check(const SlabVoid&);
void check(const SlabArea&);
void check(const Obstacle&);
void check(const CeilingArea&);
void check(const Ramp&);
void check(const Note&);
void check(const Drawing&);
void check(const Slab&);      ///< the plate itself; its voids and areas are things of their own
void check(const Floor&);     ///< name, heights, plate; not what stands on it
void check(const Building&);  ///< name, placement; not its floors
void check(const Alignment&);
void check(const AccessPoint&);
void check(const AccessPointModel&);
void check(const AntennaModel&);
void check(const CableType&);
void check(const MeasuredPattern&);
void check(const ClientProfile&);
void check(const ZoneDemand&);  ///< fields begin with "demand."
void check(const Application&);
void check(const BusyHour&);
void check(const Network&);
void check(const Uplink&);
void check(const Material&);
void check(const WallType&);
void check(const Requirement&);
void check(const RequirementSet&);
void check(const Variant&);  ///< its name
void check(const Waiver&);
void check(const AirBook&);
void check(const CablingBook&);
void check(const HandoverBook&);
void check(const ReportChoice&);
void check(const Probe&);
void check(const LensColours&);
void check(const SiteSettings&);
void check(const Layer&);
void check(const KnownLength&);

/// Asks every rule about what `after` does not share with `before`, as an edit that must not go through would
/// want it: throws Error that names the thing and its floor, the reason and the bounds.
void check_edit(const Project& before, const Project& after);
/// Asks every rule about all of a project.
void check_all(const Project&);

}  // namespace yemvo
