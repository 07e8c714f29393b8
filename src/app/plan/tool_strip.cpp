// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/plan/tool_strip.h"

#include <QPainter>
#include <QToolButton>
#include <QVBoxLayout>

#include "app/look/theme.h"
#include "app/model/activity.h"
#include "app/model/document.h"
#include "app/model/listening.h"
#include "app/plan/tools.h"

namespace yemvo::app {

ToolStrip::ToolStrip(Workspace& workspace, QWidget* parent) : QWidget(parent), workspace_(workspace) {
    setFixedWidth(41);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(4, 6, 5, 6);
    column->setSpacing(2);
    for (const ToolInfo& tool : all_tools()) {
        if (tool.button != tool.id) continue;
        auto* button = new QToolButton(this);
        button->setObjectName(QString("tool-") + tool.icon);
        button->setCheckable(true);
        button->setFixedSize(32, 32);
        button->setIconSize({20, 20});
        button->setToolTip(QString("%1 (%2)").arg(tool.what, tool.key));
        connect(button, &QToolButton::clicked, this, [this, id = tool.id] {
            workspace_.activity().set_tool(id);
            refresh();
        });
        column->addWidget(button);
        buttons_.emplace_back(tool.id, button);
    }
    column->addStretch(1);
    listen(this, &ToolStrip::refresh, workspace.activity(), &Activity::tool_changed, workspace.activity(),
           &Activity::step_changed, workspace, &Workspace::project_changed);
    refresh();
}

void ToolStrip::refresh() {
    for (const auto& [id, button] : buttons_) {
        const bool chosen = tool_info(workspace_.activity().tool()).button == id;
        button->setVisible(chosen || offers(workspace_.activity().step(), id));
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
