// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/header_bar.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPainter>
#include <array>

#include "app/look/theme.h"
#include "app/model/activity.h"
#include "app/model/document.h"
#include "app/model/listening.h"
#include "app/model/results.h"
#include "app/model/workspace.h"
#include "app/offer/shell.h"
#include "capacity/demand_table.h"
#include "project/project.h"
#include "project/working_radio.h"
#include "render/plan_marks.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

constexpr int step_width = 107, least_step_width = 84;

QString venue_mark(const Project& project) {
    std::size_t unscaled = 0, undrawn = 0;
    for (const Floor* f : all_floors(project)) {
        if (needs_scale(*f)) ++unscaled;
        if (f->walls->empty()) ++undrawn;
    }
    if (unscaled) return counted("%n floor unscaled", "%n floors unscaled", unscaled);
    if (undrawn) return counted("%n floor to draw", "%n floors to draw", undrawn);
    return tr("complete");
}

}  // namespace

QString step_mark(const Project& project, Step step, const std::optional<Verdict>& verdict) {
    std::size_t zones = 0;
    for (const Floor* f : all_floors(project)) zones += f->zones->size();
    const auto placed = placed_access_points(project);
    const std::size_t radios = radios_at_work(project).size();
    switch (step) {
        case Step::venue:
            return venue_mark(project);
        case Step::demand:
            if (has_demand(project)) {
                const double clients = clients_at(project, project.demand.hour);
                return counted("%n client", "%n clients", std::lround(clients));
            }
            return zones ? counted("%n zone", "%n zones", zones) : tr("no zones yet");
        case Step::placement:
            if (placed.size() > 99) return tr("%1 placed").arg(placed.size());  // as much as fits
            return placed.empty() ? tr("no access points")
                                  : counted("%n access point", "%n access points", placed.size());
        case Step::spectrum:
            if (const auto open = std::ranges::count_if(
                    radios_at_work(project), [](const RadioAt& r) { return r.set().channel_open; }))
                return counted("%n channel open", "%n channels open", open);
            return radios ? counted("%n radio on", "%n radios on", radios) : tr("no radios");
        case Step::proof:
            break;
    }
    if (requirements_in_force(project).empty()) return tr("nothing required");
    if (!verdict || placed.empty()) return tr("nothing to check");
    const int open = verdict->not_met();
    return open ? tr("%1 not met").arg(QString::number(open)) : tr("all met");
}

StepButton::StepButton(const char* name, QWidget* parent) : QAbstractButton(parent) {
    setText(tr(name));
    setCheckable(true);
    setFixedHeight(header_height);
    setMinimumWidth(least_step_width);
    setMaximumWidth(step_width);
    setCursor(Qt::PointingHandCursor);
    setObjectName(QString("step") + name);
}

QSize StepButton::sizeHint() const { return {step_width, header_height}; }

void StepButton::set_mark(const QString& mark) {
    if (mark == mark_) return;
    mark_ = mark;
    setAccessibleDescription(mark);
    setToolTip(mark);  // it may be longer than the step is wide
    update();
}

void StepButton::paintEvent(QPaintEvent*) {
    QPainter p(this);
    const auto& colours = theme();
    const bool active = isChecked() && isEnabled();
    p.fillRect(rect(), active ? colours.paper : colours.chrome);
    if (!active) p.fillRect(QRect(0, height() - 1, width(), 1), colours.line);
    if (!active && isEnabled() && underMouse()) p.fillRect(rect(), render::with_alpha(colours.paper, 0.6));
    if (active) p.fillRect(QRect(0, 0, width(), 3), colours.accent);
    p.fillRect(QRect(width() - 1, 0, 1, height()), colours.line);
    p.setPen(active ? colours.accent : isEnabled() ? colours.ink : colours.muted);
    p.setFont(render::font(13, active ? 650 : 500));
    p.drawText(QRect(11, isEnabled() ? 7 : 15, width() - 14, 18), Qt::AlignVCenter, text());
    p.setPen(colours.muted);
    p.setFont(render::font(11));
    p.drawText(QRect(11, 25, width() - 13, 15), Qt::AlignVCenter,
               QFontMetrics(p.font()).elidedText(mark_, Qt::ElideRight, width() - 13));
    if (hasFocus()) {
        p.setPen(QPen(colours.accent, 1));
        p.drawRect(rect().adjusted(2, 4, -4, -3));
    }
}

HeaderBar::HeaderBar(Workspace& workspace, QWidget* parent) : QWidget(parent), workspace_(workspace) {
    setFixedHeight(header_height);
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(14, 0, 0, 0);
    row->setSpacing(0);
    auto* name = new QLabel("Yemvo", this);
    name->setFont(render::font(14, 700));
    name->setStyleSheet("font-size: 14px; font-weight: 700;");
    name->setFixedWidth(58);
    row->addWidget(name);
    menus_ = new QMenuBar(this);
    menus_->setNativeMenuBar(false);
    menus_->setSizePolicy(QSizePolicy::Minimum, QSizePolicy::Fixed);
    row->addWidget(menus_, 0, Qt::AlignVCenter);
    static constexpr std::array<std::pair<Step, const char*>, 5> list{{{Step::venue, mark("Venue")},
                                                                       {Step::demand, mark("Demand")},
                                                                       {Step::placement, mark("Placement")},
                                                                       {Step::spectrum, mark("Spectrum")},
                                                                       {Step::proof, mark("Proof")}}};
    for (const auto& [step, title] : list) {
        auto* button = new StepButton(title, this);
        connect(button, &QAbstractButton::clicked, this, [this, step = step] {
            workspace_.activity().set_step(step);
            refresh();
        });
        row->addWidget(button);
        steps_.push_back(button);
    }
    row->addStretch(1);
    listen(this, &HeaderBar::refresh, workspace, &Workspace::project_changed, workspace.activity(),
           &Activity::step_changed, workspace.results(), &Results::changed);
    refresh();
}

void HeaderBar::refresh() {
    for (std::size_t i = 0; i < steps_.size(); ++i) {
        steps_[i]->setChecked(workspace_.activity().step() == static_cast<Step>(i));
        steps_[i]->setEnabled(workspace_.document().is_open());
        if (workspace_.document().is_open())
            steps_[i]->set_mark(
                step_mark(workspace_.project(), static_cast<Step>(i), workspace_.results().verdict()));
    }
}

void HeaderBar::add(QWidget* widget) { layout()->addWidget(widget); }

void HeaderBar::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.fillRect(rect(), theme().chrome);
    p.fillRect(QRect(0, height() - 1, width(), 1), theme().line);
    p.fillRect(QRect(steps_.front()->x() - 1, 0, 1, height()), theme().line);
}

}  // namespace yemvo::app
