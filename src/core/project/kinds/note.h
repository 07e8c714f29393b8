// SPDX-License-Identifier: GPL-3.0-or-later
// Notes: words, and perhaps a photo, pinned to a place.
#pragma once
#include "project/kinds/kind.h"

namespace yemvo {

template <>
struct KindOf<Note> : InFloor<Note, &Floor::notes>, ByPlace<Note>, OfNoType, OneId {
    static constexpr ItemKind kind = ItemKind::note;
    static constexpr const char *name = mark("note"), *plural = mark("notes"), *key = "notes",
                                *clip_key = "notes";
    static constexpr bool comes_along(const FloorParts&) { return false; }
    static Said label(const Note&) { return say("note"); }
    static Json write(const Note&);
    static Note read(const Reader&);
    /// Photos stay behind.
    static void was_clipped(Note& n) { n.photo.clear(); }
};

}  // namespace yemvo
