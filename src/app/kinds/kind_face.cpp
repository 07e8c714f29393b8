// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/kinds/kind_face.h"

#include <algorithm>
#include <stdexcept>

namespace yemvo::app {

static std::vector<KindFace>& faces() {
    static std::vector<KindFace> list;
    return list;
}

void set_kind_faces(std::vector<KindFace> list) { faces() = std::move(list); }

const std::vector<KindFace>& kind_faces() {
    if (faces().empty()) throw std::logic_error("no kind of item has been told to the window");
    return faces();
}

const KindFace& kind_face(ItemKind kind) {
    const auto found = std::ranges::find(kind_faces(), kind, &KindFace::kind);
    if (found == kind_faces().end()) throw std::logic_error("a kind of item that the window does not know");
    return *found;
}

}  // namespace yemvo::app
