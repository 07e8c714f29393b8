// SPDX-License-Identifier: GPL-3.0-or-later
// How the window shows one kind of item and lets it be edited: the window's side of the table in
// core/project/kinds. A new kind is a file of its own and an entry in app/things.
#pragma once
#include <QPainter>
#include <QString>
#include <functional>
#include <optional>
#include <vector>

#include "app/model/tool_info.h"
#include "project/item.h"

namespace yemvo::render {
class PlanMap;
}
namespace yemvo {
struct Floor;
struct Project;
}  // namespace yemvo

namespace yemvo::app {

class Form;
class Workspace;

/// How it is found under the pointer.
enum class PickBy {
    mark,   ///< drawn as a mark at its place, above all; it is moved as a whole
    run,    ///< drawn from its first corner to its last, above all but marks
    line,   ///< walls, and the openings in them
    solid,  ///< by its outline, then anywhere inside
    hole,   ///< the same, below solids
    area,   ///< by its outline; inside only where nothing else is
};

struct KindFace {
    ItemKind kind;
    PickBy pick;
    const char* many;                                            ///< "walls", as menus say it
    QString (*name)(const Project&, const Floor&, const Item&);  ///< "zone Lobby"
    Form* (*form)(Workspace&, const Item&);
    bool can_hide = true;
    /// Of a mark: what of the screen it takes at a place, and how it is painted there.
    QRectF (*mark_area)(QPointF at) = nullptr;
    void (*paint_mark)(QPainter&, const Floor&, const Item&, QPointF at, bool selected) = nullptr;
    std::optional<ToolInfo> tool =
        {};  ///< that makes it, where it is not among the tools that stand in tools.cpp
    /// Of a run: how it is painted, below the marks.
    void (*paint_run)(QPainter&, const Floor&, const Item&, const render::PlanMap&) = nullptr;
};

/// Marks the topmost first.
const std::vector<KindFace>& kind_faces();
/// Once, before the first window: what app/things tells.
void set_kind_faces(std::vector<KindFace>);
const KindFace& kind_face(ItemKind);

}  // namespace yemvo::app
