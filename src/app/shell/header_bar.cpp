#include "app/shell/header_bar.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPainter>
#include <array>

#include "app/look/theme.h"
#include "app/model/activity.h"
#include "app/model/document.h"
#include "app/model/found_findings.h"
#include "app/model/listening.h"
#include "app/model/results.h"
#include "project/project.h"
#include "render/plan_marks.h"
#include "render/text_style.h"

namespace yemvo::app {
namespace {

constexpr int header_height = 48, step_width = 107, verdict_width = 106;

QString counted(std::size_t n, const QString& one, const QString& many) {
    return QString::number(n) + " " + (n == 1 ? one : many);
}

QString venue_mark(const Project& project) {
    std::size_t unscaled = 0, undrawn = 0;
    for (const Floor* f : all_floors(project)) {
        if (needs_scale(*f)) ++unscaled;
        if (f->walls->empty()) ++undrawn;
    }
    if (unscaled) return counted(unscaled, "floor unscaled", "floors unscaled");
    if (undrawn) return counted(undrawn, "floor to draw", "floors to draw");
    return "complete";
}

}  // namespace

QString step_mark(const Project& project, Step step, const std::optional<Verdict>& verdict) {
    std::size_t zones = 0, radios = 0;
    for (const Floor* f : all_floors(project)) zones += f->zones->size();
    const auto placed = placed_access_points(project);
    for (const auto& p : placed)
        for (const Radio& r : p.access_point->radios) radios += r.on;
    switch (step) {
        case Step::venue:
            return venue_mark(project);
        case Step::demand:
            return zones ? counted(zones, "zone", "zones") : "no zones yet";
        case Step::placement:
            if (placed.size() > 99) return QString("%1 placed").arg(placed.size());  // as much as fits
            return placed.empty() ? "empty" : counted(placed.size(), "access point", "access points");
        case Step::spectrum:
            return radios ? counted(radios, "radio on", "radios on") : "empty";
        case Step::proof:
            break;
    }
    if (requirements_in_force(project).empty()) return "nothing required";
    if (!verdict || placed.empty()) return "nothing to check";
    std::size_t open = 0;
    for (const RequirementResult& r : verdict->requirements) open += !r.met();
    return open ? QString::number(open) + " not met" : "all met";
}

StepButton::StepButton(const QString& name, QWidget* parent) : QAbstractButton(parent) {
    setText(name);
    setCheckable(true);
    setFixedSize(step_width, header_height);
    setCursor(Qt::PointingHandCursor);
    setObjectName("step" + name);
}

void StepButton::set_mark(const QString& mark) {
    if (mark == mark_) return;
    mark_ = mark;
    setAccessibleDescription(mark);
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

VerdictView::VerdictView(Workspace& workspace, QWidget* parent)
    : QAbstractButton(parent), workspace_(workspace) {
    setObjectName("verdict");
    setFixedHeight(header_height);
    setCursor(Qt::PointingHandCursor);
    setToolTip("Share of the demanded area that meets every requirement of the band. Click for the proof");
    connect(this, &QAbstractButton::clicked, this, [this] { workspace_.activity().set_step(Step::proof); });
}

bool VerdictView::judged() const {
    if (workspace_.results().judged_so_far()) return false;
    return workspace_.document().is_open() && workspace_.results().verdict() &&
           !workspace_.results().verdict()->bands.empty() &&
           workspace_.results().verdict()->demanded_m2() > 0 &&
           !placed_access_points(workspace_.project()).empty();
}

QSize VerdictView::sizeHint() const {
    return {judged() ? static_cast<int>(workspace_.results().verdict()->bands.size()) * verdict_width : 270,
            header_height};
}

QString VerdictView::words() const {
    if (!workspace_.document().is_open()) return {};
    if (const auto& so_far = workspace_.results().judged_so_far())
        return QString("%1 of %2 floors judged").arg(so_far->floors).arg(so_far->all);
    if (placed_access_points(workspace_.project()).empty() || !workspace_.results().verdict())
        return "No verdict yet: place an access point";
    if (workspace_.results().verdict()->bands.empty()) return "No verdict: nothing is required yet";
    if (workspace_.results().verdict()->demanded_m2() == 0)
        return "No verdict: draw walls round it, or a zone";
    QStringList parts;
    for (const BandResult& b : workspace_.results().verdict()->bands)
        parts << render::percent(b.share_met()) + " " + QString::fromStdString(band(b.band).name) + " GHz";
    return parts.join(", ");
}

void VerdictView::paintEvent(QPaintEvent*) {
    QPainter p(this);
    const auto& colours = theme();
    p.fillRect(rect(), colours.chrome);
    p.fillRect(QRect(0, height() - 1, width(), 1), colours.line);
    p.setRenderHint(QPainter::Antialiasing);
    if (!judged()) {
        p.setFont(render::font(12));
        p.setPen(colours.muted);
        p.drawText(rect().adjusted(0, 0, -16, 0), Qt::AlignRight | Qt::AlignVCenter, words());
        return;
    }
    double x = 8;
    for (const BandResult& b : workspace_.results().verdict()->bands) {
        const Outcome o = outcome(b.share_met(), b.share_required);
        const QString share = render::percent(b.share_met());
        p.setFont(render::font(14, 650));
        p.setPen(outcome_ink(o, colours));
        p.drawText(QRectF(x, 5, verdict_width, 20), Qt::AlignVCenter, share);
        render::paint_outcome(p, QPointF(x + QFontMetricsF(p.font()).horizontalAdvance(share) + 11, 15), o,
                              colours);
        render::paint_band_glyph(p, QPointF(x + 5, 33), b.band, colours);
        p.setFont(render::font(11));
        p.setPen(colours.muted);
        QString below = QString::fromStdString(band(b.band).name) + " GHz";
        const auto& before = workspace_.results().previous_verdict();
        if (const BandResult* was = before ? before->find(b.band) : nullptr) {
            const double change = 100 * (b.share_met() - was->share_met());
            if (std::abs(change) >= 0.05)
                below += (change > 0 ? QStringLiteral("  ▲ ") : QStringLiteral("  ▼ ")) +
                         render::figure(std::abs(change), 1);
        }
        p.drawText(QRectF(x + 14, 25, verdict_width, 16), Qt::AlignVCenter, below);
        x += verdict_width;
    }
}

FindingsButton::FindingsButton(Workspace& workspace, QWidget* parent)
    : QAbstractButton(parent), workspace_(workspace) {
    setObjectName("findingsButton");
    setFixedSize(86, header_height);
    setCursor(Qt::PointingHandCursor);
    connect(&workspace.found(), &FoundFindings::changed, this, [this] {
        const std::size_t open = workspace_.found().open();
        setText(open == 1 ? "1 finding" : QString("%1 findings").arg(open));
        setToolTip(open == 0 ? "The model's own checks have no doubts"
                             : "What the model's own checks found (Ctrl F)");
        update();
    });
}

void FindingsButton::paintEvent(QPaintEvent*) {
    if (!workspace_.document().is_open()) return;
    const auto& colours = theme();
    const std::size_t open = workspace_.found().open();
    QPainter p(this);
    p.fillRect(QRect(0, 8, 1, height() - 16), colours.line);
    p.setPen(open == 0 ? colours.muted : colours.not_met);
    p.setFont(render::font(14, 650));
    p.drawText(QRectF(12, 5, width() - 12, 20), Qt::AlignVCenter, render::figure(static_cast<double>(open)));
    p.setPen(colours.muted);
    p.setFont(render::font(11));
    p.drawText(QRectF(12, 25, width() - 12, 16), Qt::AlignVCenter, open == 1 ? "finding" : "findings");
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
    menus_->setFixedWidth(244);
    row->addWidget(menus_, 0, Qt::AlignVCenter);
    static constexpr std::array<std::pair<Step, const char*>, 5> list{{{Step::venue, "Venue"},
                                                                       {Step::demand, "Demand"},
                                                                       {Step::placement, "Placement"},
                                                                       {Step::spectrum, "Spectrum"},
                                                                       {Step::proof, "Proof"}}};
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
    verdict_ = new VerdictView(workspace, this);
    row->addWidget(verdict_);
    auto* findings = new FindingsButton(workspace, this);
    row->addWidget(findings);
    connect(findings, &QAbstractButton::clicked, this, &HeaderBar::findings_asked);
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
    verdict_->setFixedWidth(verdict_->sizeHint().width());
    verdict_->update();
}

void HeaderBar::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.fillRect(rect(), theme().chrome);
    p.fillRect(QRect(0, height() - 1, width(), 1), theme().line);
    p.fillRect(QRect(steps_.front()->x() - 1, 0, 1, height()), theme().line);
}

}  // namespace yemvo::app
