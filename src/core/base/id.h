// SPDX-License-Identifier: GPL-3.0-or-later
// Typed, stable identities. Nothing in a project refers to anything by index or by name.
#pragma once
#include <compare>
#include <cstdint>
#include <functional>

namespace yemvo {

/// Unique within a project, never used twice; 0 means none.
template <class Tag>
struct Id {
    std::uint32_t value = 0;
    explicit operator bool() const { return value != 0; }
    friend auto operator<=>(const Id&, const Id&) = default;
};

using BuildingId = Id<struct BuildingTag>;
using FloorId = Id<struct FloorTag>;
using DrawingId = Id<struct DrawingTag>;
using WallId = Id<struct WallTag>;
using OpeningId = Id<struct OpeningTag>;
using ZoneId = Id<struct ZoneTag>;
using VoidId = Id<struct VoidTag>;
using SlabAreaId = Id<struct SlabAreaTag>;
using ObstacleId = Id<struct ObstacleTag>;
using CeilingId = Id<struct CeilingTag>;
using RampId = Id<struct RampTag>;
using NoteId = Id<struct NoteTag>;
using GroupId = Id<struct GroupTag>;
using WallTypeId = Id<struct WallTypeTag>;
using ClosetId = Id<struct ClosetTag>;
using ModelId = Id<struct ModelTag>;
using AntennaId = Id<struct AntennaTag>;
using AccessPointId = Id<struct AccessPointTag>;
using RequirementId = Id<struct RequirementTag>;
using RequirementSetId = Id<struct RequirementSetTag>;
using VariantId = Id<struct VariantTag>;

}  // namespace yemvo

template <class Tag>
struct std::hash<yemvo::Id<Tag>> {
    std::size_t operator()(yemvo::Id<Tag> id) const noexcept { return std::hash<std::uint32_t>{}(id.value); }
};
