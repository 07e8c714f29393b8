// SPDX-License-Identifier: GPL-3.0-or-later
// The tool of whatever stands at one place: a click makes it and selects it.
#pragma once
#include <functional>

#include "app/plan/tool.h"
#include "project/item.h"

namespace yemvo::app {

struct PlaceToolWords {
    QString name, hint, edit;
};

class PlaceTool : public Tool {
public:
    using Make = std::function<Item(Project&, FloorId, Point)>;
    PlaceTool(Workspace& w, PlanSurface& s, PlaceToolWords words, Make make)
        : Tool(w, s), words_(std::move(words)), make_(std::move(make)) {}
    QString name() const override { return words_.name; }
    std::vector<HintPart> hint() const override;
    void move(const PointerEvent&) override;
    void press(const PointerEvent&) override;
    void paint(QPainter&) override;

private:
    PlaceToolWords words_;
    Make make_;
    std::optional<Snapped> pointer_;
};

/// The first of "TR-1", "TR-2", … that `taken` does not know.
template <class Taken>
std::string free_label(const std::string& prefix, Taken taken) {
    for (int n = 1;; ++n)
        if (std::string wanted = prefix + std::to_string(n); !taken(wanted)) return wanted;
}

}  // namespace yemvo::app
