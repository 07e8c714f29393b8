// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/plan/tool_strip.h"

#include <QEvent>
#include <QPainter>
#include <QSettings>
#include <QToolButton>
#include <algorithm>

#include "app/look/theme.h"
#include "app/model/activity.h"
#include "app/model/document.h"
#include "app/model/listening.h"
#include "app/plan/tools.h"
#include "render/tr.h"

namespace yemvo::app {
namespace strip {

constexpr int side = 4, narrow_width = 41, named_width = 150;
constexpr int pitch = 32, least_pitch = 22, gap = 9, least_gap = 5, foot = 26;
constexpr const char* named_setting = "tool_names";

}  // namespace strip

ToolStrip::ToolStrip(Workspace& workspace, QWidget* parent)
    : QWidget(parent), workspace_(workspace), names_(new QToolButton(this)) {
    setObjectName("toolStrip");
    for (const ToolInfo& tool : all_tools()) {
        if (tool.button != tool.id) continue;
        auto* button = new QToolButton(this);
        button->setObjectName(QString("tool-") + tool.icon);
        button->setCheckable(true);
        button->setText(tr(tool.name));
        button->setToolTip(
            QString("%1 (%2)").arg(tr(tool.what), QString(tool.key).replace("Shift", tr("Shift"))));
        connect(button, &QToolButton::clicked, this, [this, id = tool.id] {
            workspace_.activity().set_tool(id);
            refresh();
        });
        buttons_.push_back({tool.id, tool.group, button});
    }
    std::ranges::stable_sort(buttons_, {}, &Button::group);
    names_->setObjectName("toolNames");
    connect(names_, &QToolButton::clicked, this, &ToolStrip::names_asked);
    listen(this, &ToolStrip::refresh, workspace.activity(), &Activity::tool_changed, workspace.activity(),
           &Activity::step_changed, workspace, &Workspace::project_changed);
    named_ = QSettings().value(strip::named_setting, false).toBool();
    dress_buttons();
    refresh();
}

void ToolStrip::set_named(bool named) {
    if (named == named_) return;
    named_ = named;
    QSettings().setValue(strip::named_setting, named);
    dress_buttons();
    lay_out();
}

void ToolStrip::dress_buttons() {
    setFixedWidth(named_ ? strip::named_width : strip::narrow_width);
    for (const Button& b : buttons_) {
        b.widget->setToolButtonStyle(named_ ? Qt::ToolButtonTextBesideIcon : Qt::ToolButtonIconOnly);
        dress(b.widget,
              named_ ? "QToolButton { padding-left: 5px; text-align: left; } QToolButton:checked { color: "
                       "@onAccent; }"
                     : "");
    }
    names_->setText(named_ ? QStringLiteral("«") : QStringLiteral("»"));
    names_->setToolTip(named_ ? tr("Icons alone") : tr("Names of the tools"));
    names_->setAccessibleName(names_->toolTip());
}

void ToolStrip::refresh() {
    for (const auto& [id, group, button] : buttons_) {
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
    lay_out();
}

/// Closer together where the column is low, as beside an open tray.
void ToolStrip::lay_out() {
    std::vector<const Button*> shown;
    int groups = 0;
    for (const Button& b : buttons_) {
        if (b.widget->isHidden()) continue;
        groups += !shown.empty() && shown.back()->group != b.group;
        shown.push_back(&b);
    }
    const int count = static_cast<int>(shown.size()), room = height() - 6 - strip::foot;
    const bool low = count * strip::pitch + groups * strip::gap > room;
    const int between = low ? strip::least_gap : strip::gap;
    const int step =
        low ? std::max(strip::least_pitch, (room - groups * between) / std::max(1, count)) : strip::pitch;
    const int tall = std::min(step, 32);
    rules_.clear();
    int y = 6;
    for (std::size_t i = 0; i < shown.size(); ++i) {
        if (i > 0 && shown[i]->group != shown[i - 1]->group) {
            rules_.push_back(y + between / 2);
            y += between;
        }
        shown[i]->widget->setGeometry(strip::side, y, width() - 2 * strip::side - 1, tall);
        const int icon_px = std::min(20, tall - 3);
        shown[i]->widget->setIconSize({icon_px, icon_px});
        y += step;
    }
    names_->setGeometry(strip::side, height() - strip::foot + 1, width() - 2 * strip::side - 1,
                        strip::foot - 4);
    update();
}

void ToolStrip::resizeEvent(QResizeEvent*) { lay_out(); }

void ToolStrip::changeEvent(QEvent* e) {
    if (e->type() == QEvent::PaletteChange) refresh();
    QWidget::changeEvent(e);
}

void ToolStrip::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.fillRect(rect(), theme().chrome);
    for (int x : {0, width() - 1}) p.fillRect(QRect(x, 0, 1, height()), theme().line);
    for (int y : rules_) p.fillRect(QRect(9, y, width() - 18, 1), theme().line);
}

}  // namespace yemvo::app
