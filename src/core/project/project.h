// SPDX-License-Identifier: GPL-3.0-or-later
// The document: one venue and all that was said about it, as a plain value.
//
// A Project is copied freely: its large parts are Shared, one a floor and kind (walls, zones, slab, drawings,
// access points), so a copy costs a few pointers and comparing two values tells which parts changed. An edit
// (edits.h) changes such a copy; undo is the value before.
#pragma once
#include <cstddef>
#include <map>
#include <string>
#include <vector>

#include "base/length_text.h"
#include "base/shared.h"
#include "demand/demand_book.h"
#include "gear/access_point.h"
#include "gear/antenna_model.h"
#include "gear/client.h"
#include "project/air_book.h"
#include "project/cabling_book.h"
#include "project/handover_book.h"
#include "project/item.h"
#include "project/requirement.h"
#include "venue/floor.h"
#include "venue/wall_type.h"

namespace yemvo {

using Bytes = std::vector<std::byte>;

struct SiteSettings {
    LengthUnits units = LengthUnits::metres;
    std::string country = "GB";         ///< ISO 3166-1 alpha-2
    double client_height_m = 1.2;       ///< where coverage is judged, above each floor
    double client_noise_figure_db = 7;  ///< of the receiver of every link
    std::string client = "tablet";      ///< profile that rates are shown for
    double heard_dbm = -82;             ///< a radio from here up is heard, and others defer to it
    double grid_m = 0.5;  ///< maps have a value, and verdicts judge a place, every so many metres
    /// Regulators count what the chains of a radio add up to in one direction when they send the same signal.
    bool array_gain_in_eirp = false;
    friend bool operator==(const SiteSettings&, const SiteSettings&) = default;
};

/// One set of access points on the venue, to compare with others.
struct Variant {
    VariantId id;
    std::string name;
    std::map<FloorId, Shared<std::vector<AccessPoint>>> access_points;
    friend bool operator==(const Variant&, const Variant&) = default;
};

/// A finding that was accepted, by its rule and what it is about.
struct Waiver {
    std::string rule;
    std::vector<std::uint32_t> subjects;  ///< ids, in the finding's order; they may be gone by now
    std::string note;
    ZoneId zone = {};  ///< set: all of the rule's findings in that zone, whatever they are about
    friend bool operator==(const Waiver&, const Waiver&) = default;
};

/// How the map of a lens is coloured where that is not as usual.
struct LensColours {
    std::string lens;  ///< its key
    double low = 0,
           step = 1;  ///< where the colours begin, in the lens's unit, and how wide each of the twelve is
    std::string palette = "colour";  ///< "colour", "blue", "grey"
    friend bool operator==(const LensColours&, const LensColours&) = default;
};

/// Kinds of things that are not drawn, or cannot be picked; how maps are coloured.
struct Display {
    std::vector<ItemKind> hidden, locked;
    std::vector<LensColours> colours;  ///< at most one a lens
    friend bool operator==(const Display&, const Display&) = default;
};

/// A pinned place whose links are looked at.
struct Probe {
    int number = 1;  ///< "P1"; unique in the project
    FloorId floor;
    Point place;
    friend bool operator==(const Probe&, const Probe&) = default;
};

/// A part of a file that could not be read, kept so that nothing is lost.
struct SetAside {
    std::string place;  ///< "project.json: buildings[0].floors[1].walls[3].base_m"
    std::string reason;
    std::string json;  ///< the part as it stood in the file
    friend bool operator==(const SetAside&, const SetAside&) = default;
};

struct Project {
    std::string name;
    SiteSettings settings;
    std::uint32_t next_id = 1;
    Shared<std::vector<WallType>> wall_types;
    Shared<std::vector<AccessPointModel>> models;
    Shared<std::vector<AntennaModel>> antennas;
    Shared<std::vector<CableType>> cables;
    Shared<std::vector<ClientProfile>> clients;
    DemandBook demand;
    AirBook air;
    CablingBook cabling;
    HandoverBook handover;
    std::vector<Building> buildings;
    std::vector<Variant> variants;
    VariantId variant;  ///< the current one
    Shared<std::vector<RequirementSet>> requirement_sets;
    Shared<std::vector<Waiver>> waivers;
    Shared<std::vector<Probe>> probes;
    Display display;
    Shared<std::vector<SetAside>> aside;
    std::map<std::string, Shared<Bytes>> assets;  ///< drawings' own bytes by file name
    friend bool operator==(const Project&, const Project&) = default;
};

/// All floors of all buildings, lowest first in each.
std::vector<const Floor*> all_floors(const Project&);
const Floor* find_floor(const Project&, FloorId);
/// By the floor's title; where no title is so by "building, floor", and else by its name.
const Floor* find_floor(const Project&, std::string_view name);
/// Where people come in: the lowest floor that is not below the ground, of the first building that has
/// floors.
const Floor* entry_floor(const Project&);
/// The floor's name; where there are several buildings, after the building's: "North wing, First floor". A
/// yard with one floor is called by its own name.
std::string floor_title(const Project&, const Floor&);
/// The storey above in the same building, mezzanines passed over; none for the topmost.
const Floor* floor_above(const Project&, FloorId);
/// The next lower floor of the same building, mezzanines counted; none for the lowest.
const Floor* floor_below(const Project&, FloorId);
/// The building that the floor is in; the floor must exist.
const Building& building_with(const Project&, FloorId);
const Building* find_building(const Project&, BuildingId);

/// What the id names; the id must exist in the project.
const WallType& wall_type(const Project&, WallTypeId);
const AccessPointModel& model(const Project&, ModelId);
bool has_cable(const Project&, const std::string& key);
/// Null where there is none.
const AntennaModel* find_antenna(const Project&, AntennaId);
/// By its key; the first where there is none of that key, a plain one where there are no profiles.
const ClientProfile& client(const Project&, const std::string& key);
/// Where a type is used: on which floor and by what; a slab itself has no item.
struct TypeSite {
    FloorId floor;
    std::optional<Item> item;
};
std::vector<TypeSite> uses_of_type(const Project&, WallTypeId);
/// The first type with this use; its id is 0 when there is none.
WallTypeId first_type(const Project&, TypeUse);
WallTypeId find_type(const Project&, std::string_view key);

/// Of the sets that are on, in order.
std::vector<const Requirement*> requirements_in_force(const Project&);
/// Null where there is none.
const RequirementSet* find_requirement_set(const Project&, RequirementSetId);
const Requirement* find_requirement(const Project&, RequirementId);

/// Null where there is none of that number.
/// Null while the lens is coloured as usual.
const LensColours* find_colours(const Project&, std::string_view lens);
const Probe* find_probe(const Project&, int number);

const Variant& current_variant(const Project&);
/// Of the current variant; empty for a floor without any.
const std::vector<AccessPoint>& access_points(const Project&, FloorId);

struct PlacedAccessPoint {
    const Floor* floor;
    const AccessPoint* access_point;
};
/// Of the current variant, on every floor.
std::vector<PlacedAccessPoint> placed_access_points(const Project&);

const Wall* find_wall(const Floor&, WallId);
const Opening* find_opening(const Wall&, OpeningId);
const Drawing* find_drawing(const Floor&, DrawingId);
const Zone* find_zone(const Floor&, ZoneId);
const SlabVoid* find_void(const Floor&, VoidId);
const SlabArea* find_slab_area(const Floor&, SlabAreaId);
const Obstacle* find_obstacle(const Floor&, ObstacleId);
const CeilingArea* find_ceiling(const Floor&, CeilingId);
const Ramp* find_ramp(const Floor&, RampId);
const Note* find_note(const Floor&, NoteId);
const DeviceRow* find_device_row(const Floor&, DeviceRowId);
const ListeningPlace* find_listening_place(const Floor&, ListeningPlaceId);
const Closet* find_closet(const Floor&, ClosetId);
const Outlet* find_outlet(const Floor&, OutletId);
const Tray* find_tray(const Floor&, TrayId);
const Riser* find_riser(const Floor&, RiserId);
const AccessPoint* find_access_point(const Project&, FloorId, AccessPointId);

}  // namespace yemvo
