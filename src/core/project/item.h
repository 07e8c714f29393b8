// SPDX-License-Identifier: GPL-3.0-or-later
// One thing that stands on a floor and can be pointed at.
#pragma once
#include <cstdint>
#include <optional>
#include <string_view>

namespace yemvo {

enum class ItemKind {
    wall,
    opening,
    zone,
    slab_void,
    access_point,
    obstacle,
    ceiling,
    slab_area,
    note,
    ramp,
    closet,
    device_row,
    listening_place,
    outlet,
    tray,
    riser
};
inline constexpr int item_kinds = 16;

struct Item {
    using Kind = ItemKind;
    Kind kind;
    std::uint32_t id;
    std::uint32_t wall = 0;  ///< of an opening: the wall it is in
    friend bool operator==(const Item&, const Item&) = default;
};

/// "wall", "slab void", ...
std::string_view item_kind_name(ItemKind);
std::optional<ItemKind> find_item_kind(std::string_view name);

}  // namespace yemvo
