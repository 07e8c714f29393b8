#include "app/shell/tool_strip.h"

#include <QPainter>
#include <QToolButton>
#include <QVBoxLayout>
#include <algorithm>

#include "app/shell/theme.h"

namespace yemvo::app {

const std::vector<ToolInfo>& all_tools() {
    static const std::vector<ToolInfo> list{
        {ToolId::select, "Select", "select", "S", "Select, move and shape"},
        {ToolId::wall, "Wall", "wall", "W", "Draw walls"},
        {ToolId::wall_rectangle, "Wall rectangle", "wall", "R", "Draw walls round a rectangle"},
        {ToolId::wall_arc, "Wall arc", "wall", "Q", "Draw a curved wall"},
        {ToolId::follow, "Follow the drawing", "wall", "Y", "Take lines of a CAD drawing as walls"},
        {ToolId::door, "Door", "door", "D", "Put doors into walls"},
        {ToolId::window, "Window", "window", "G", "Put windows (glazing) into walls"},
        {ToolId::split, "Split wall", "split", "X", "Cut a wall in two"},
        {ToolId::column, "Column", "column", "K", "Place columns"},
        {ToolId::obstacle, "Obstacle", "shelving", "B", "Draw shelving, racking, machinery, crowds, foliage"},
        {ToolId::ceiling, "Ceiling area", "ceiling", "C",
         "Draw where the ceiling is lower or hung with something"},
        {ToolId::slab_area, "Slab area", "slab-area", "U",
         "Draw where the slab under this floor is built of something else"},
        {ToolId::slab_void, "Void", "void", "O", "Draw an opening through the slab under this floor"},
        {ToolId::shaft, "Shaft", "shaft", "H", "Draw a lift or stair shaft through the storeys"},
        {ToolId::ramp, "Ramp", "ramp", "E", "Draw a ramp from its foot to its head"},
        {ToolId::zone, "Zone", "zone", "Z", "Draw zones"},
        {ToolId::note, "Note", "note", "N", "Pin a note or a photo to a place"},
        {ToolId::scale, "Scale", "scale", "L",
         "Give a drawing its scale by known lengths or an area, and check it"},
        {ToolId::align, "Align", "align", "I", "Lay this floor on another one by pairs of places"},
        {ToolId::plate, "Plate", "plate", "P",
         "Draw how far the slab of this floor reaches (mezzanines, terraces)"},
        {ToolId::access_point, "Access point", "access-point", "A", "Place access points"},
        {ToolId::probe, "Probe", "probe", "T", "Pin a probe: every radio heard there, and why"},
    };
    return list;
}

std::vector<ToolId> tools_of(Step step) {
    switch (step) {
        case Step::venue:
            return {ToolId::select, ToolId::scale, ToolId::align,     ToolId::wall,      ToolId::door,
                    ToolId::window, ToolId::split, ToolId::column,    ToolId::obstacle,  ToolId::ceiling,
                    ToolId::shaft,  ToolId::plate, ToolId::slab_void, ToolId::slab_area, ToolId::ramp,
                    ToolId::zone,   ToolId::note};
        case Step::demand:
            return {ToolId::select, ToolId::zone};
        case Step::placement:
            return {ToolId::select, ToolId::access_point, ToolId::probe};
        case Step::spectrum:
        case Step::proof:
            return {ToolId::select, ToolId::probe};
    }
    return {ToolId::select};
}

ToolId button_of(ToolId tool) {
    const bool draws_walls =
        tool == ToolId::wall_rectangle || tool == ToolId::wall_arc || tool == ToolId::follow;
    return draws_walls ? ToolId::wall : tool;
}

ToolStrip::ToolStrip(Workspace& workspace, QWidget* parent) : QWidget(parent), workspace_(workspace) {
    setFixedWidth(41);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(4, 6, 5, 6);
    column->setSpacing(2);
    for (const ToolInfo& tool : all_tools()) {
        if (button_of(tool.id) != tool.id) continue;
        auto* button = new QToolButton(this);
        button->setObjectName(QString("tool-") + tool.icon);
        button->setCheckable(true);
        button->setFixedSize(32, 32);
        button->setIconSize({20, 20});
        button->setToolTip(QString("%1 (%2)").arg(tool.what, tool.key));
        connect(button, &QToolButton::clicked, this, [this, id = tool.id] {
            workspace_.set_tool(id);
            refresh();
        });
        column->addWidget(button);
        buttons_.emplace_back(tool.id, button);
    }
    column->addStretch(1);
    for (auto signal : {&Workspace::tool_changed, &Workspace::step_changed, &Workspace::project_changed})
        connect(&workspace, signal, this, &ToolStrip::refresh);
    refresh();
}

void ToolStrip::refresh() {
    const auto offered = tools_of(workspace_.step());
    for (const auto& [id, button] : buttons_) {
        const bool chosen = button_of(workspace_.tool()) == id;
        button->setVisible(chosen || std::find(offered.begin(), offered.end(), id) != offered.end());
        button->setChecked(chosen);
        const QColor ink = chosen ? theme().on_accent : theme().ink;
        if (button->property("ink") != QVariant(ink)) {  // drawing an icon costs more than all the rest here
            button->setProperty("ink", ink);
            button->setIcon(icon(button->objectName().mid(5), ink));
        }
        button->setEnabled(workspace_.document().is_open());
    }
}

void ToolStrip::changeEvent(QEvent* e) {
    if (e->type() == QEvent::PaletteChange) refresh();
    QWidget::changeEvent(e);
}

void ToolStrip::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.fillRect(rect(), theme().chrome);
    for (int x : {0, width() - 1}) p.fillRect(QRect(x, 0, 1, height()), theme().line);
}

}  // namespace yemvo::app
