// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/proof/proof_page.h"

#include <QApplication>
#include <QButtonGroup>
#include <QClipboard>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QMouseEvent>
#include <QPainter>
#include <QPushButton>
#include <QScrollArea>
#include <QToolButton>
#include <QVBoxLayout>

#include "app/look/theme.h"
#include "app/model/activity.h"
#include "app/model/document.h"
#include "app/model/found_findings.h"
#include "app/model/going.h"
#include "app/model/in_view.h"
#include "app/model/listening.h"
#include "app/model/results.h"
#include "app/model/tool_id.h"
#include "app/model/wishes.h"
#include "app/proof/proof_table.h"
#include "app/proof/worst_cards.h"
#include "checks/findings.h"
#include "coverage/verdict.h"
#include "project/project.h"
#include "project/working_radio.h"
#include "render/plan_marks.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

constexpr int line_height = 21;
constexpr std::size_t most_lines = 7;

QString listed(const QStringList& names) {
    if (names.size() < 2) return names.join("");
    return tr("%1 and %2").arg(names.mid(0, names.size() - 1).join(", "), names.last());
}

QString about(const Project& project, const Verdict* verdict) {
    QStringList sets;
    for (const RequirementSet& set : *project.requirement_sets)
        if (set.on) sets << QString::fromStdString(set.name);
    const std::size_t radios = radios_at_work(project).size();
    const auto placed = placed_access_points(project);
    const QString required = sets.size() == 1 ? tr("Requirement set %1").arg(sets.front())
                             : sets.size() > 2
                                 ? counted("%n requirement set", "%n requirement sets", sets.size())
                                 : tr("Requirement sets %1").arg(listed(sets));
    QString coarser;
    for (const CoarseFloor& c : verdict ? verdict->coarse : std::vector<CoarseFloor>())
        if (const Floor* floor = find_floor(project, c.floor))  // gone while the verdict is the one before
            coarser += tr("; %1 every %2 m, being too large")
                           .arg(QString::fromStdString(floor->name), render::figure(c.cell_m, 1));
    if (const BandSet left = bands_not_judged(project);
        !left.empty() && !requirements_in_force(project).empty())
        coarser += tr("; %1 in use without any requirement").arg(said_text(bands_text(left)));
    return tr("%1, variant %2: %3, %4 on; %5 m grid, client height %6")
               .arg(required, QString::fromStdString(current_variant(project).name),
                    counted("%n access point", "%n access points", placed.size()),
                    counted("%n radio", "%n radios", radios),
                    render::figure(project.settings.grid_m, project.settings.grid_m < 1 ? 2 : 0),
                    render::local(format_length(project.settings.client_height_m, project.settings.units))) +
           coarser;
}

}  // namespace

QString proof_lacks(const Project& project, const Verdict* verdict) {
    if (requirements_in_force(project).empty())
        return tr(
            "Nothing is required yet. Add a requirement set at the right: what must hold, where, on how "
            "much of "
            "the area.");
    if (placed_access_points(project).empty())
        return tr(
            "Nothing is placed yet. Go to Placement and place an access point: its reach is judged here.");
    if (verdict && verdict->demanded_m2() == 0)
        return tr(
            "Nothing says where service is needed. Draw walls that close round a room, or a zone: what "
            "they hold is "
            "judged here.");
    return {};
}

FindingLines::FindingLines(Workspace& workspace, QWidget* parent) : QWidget(parent), workspace_(workspace) {
    setObjectName("findingLines");
    setMouseTracking(true);
    connect(&workspace.found(), &FoundFindings::changed, this, &FindingLines::refresh);
    refresh();
}

void FindingLines::refresh() {
    lines_.clear();
    more_ = 0;
    for (const bool waived : {false, true})
        for (const Finding& f : *workspace_.found().all()) {
            if (f.waived.has_value() != waived) continue;
            if (lines_.size() < most_lines)
                lines_.push_back(f);
            else
                ++more_;
        }
    setFixedHeight(line_height * static_cast<int>(std::max<std::size_t>(1, lines_.size() + (more_ > 0))));
    update();
}

int FindingLines::line_at(int y) const { return y < 0 ? -1 : y / line_height; }

void FindingLines::mousePressEvent(QMouseEvent* e) {
    const auto line = static_cast<std::size_t>(std::max(0, line_at(e->pos().y())));
    if (line < lines_.size()) return show_finding(workspace_, Finding(lines_[line]));
    if (more_ > 0) emit all_asked();
}

void FindingLines::mouseMoveEvent(QMouseEvent* e) {
    const int line = line_at(e->pos().y());
    if (line == hovered_) return;
    hovered_ = line;
    setCursor(lines_.empty() ? Qt::ArrowCursor : Qt::PointingHandCursor);
    update();
}

void FindingLines::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const auto& c = theme();
    p.setFont(render::font(12));
    if (lines_.empty()) {
        p.setPen(c.muted);
        p.drawText(rect(), Qt::AlignVCenter, tr("No open findings."));
        return;
    }
    // as much room for the floors' names as they take
    int floors_px = 60;
    for (const Finding& f : lines_)
        if (const Floor* floor = find_floor(workspace_.project(), f.floor))
            floors_px = std::max(floors_px, QFontMetrics(p.font()).horizontalAdvance(QString::fromStdString(
                                                floor_title(workspace_.project(), *floor))));
    const int where_x = std::max(300, width() - 80 - floors_px);
    for (std::size_t i = 0; i < lines_.size(); ++i) {
        const Finding& f = lines_[i];
        const int y = static_cast<int>(i) * line_height;
        if (static_cast<int>(i) == hovered_ && underMouse())
            p.fillRect(QRect(0, y, width(), line_height - 1), c.accent_tint);
        if (f.waived) {
            p.setPen(QPen(c.muted, 1.2));
            p.setBrush(Qt::NoBrush);
            p.drawRect(QRectF(0.6, y + 5.6, 9.8, 9.8));
            p.drawLine(QPointF(0.6, y + 15.4), QPointF(10.4, y + 5.6));
        } else {
            render::paint_outcome(p, QPointF(6, y + 10), Outcome::not_met, c);
        }
        p.setFont(render::font(12));
        p.setPen(f.waived ? c.muted : c.ink);
        const QFontMetrics m(p.font());
        p.drawText(QRect(20, y, where_x - 30, line_height), Qt::AlignVCenter,
                   m.elidedText(said_text(f.what), Qt::ElideRight, where_x - 30));
        p.setPen(c.muted);
        QString where;
        if (const Floor* floor = find_floor(workspace_.project(), f.floor))
            where = QString::fromStdString(floor_title(workspace_.project(), *floor));
        p.drawText(QRect(where_x, y, width() - where_x - 70, line_height), Qt::AlignVCenter,
                   m.elidedText(where, Qt::ElideRight, width() - where_x - 74));
        p.drawText(QRect(width() - 70, y, 66, line_height), Qt::AlignVCenter | Qt::AlignRight,
                   f.waived ? tr("accepted") : tr("open"));
        p.fillRect(QRect(0, y + line_height - 1, width(), 1), c.line2);
    }
    if (more_ == 0) return;
    p.setPen(c.accent);
    p.drawText(QRect(20, line_height * static_cast<int>(lines_.size()), width(), line_height),
               Qt::AlignVCenter, tr("and %1 more in the list of findings").arg(more_));
}

ProofPage::ProofPage(Workspace& workspace, QWidget* parent)
    : QWidget(parent),
      workspace_(workspace),
      title_(new QLabel(this)),
      about_(new QLabel(this)),
      worst_title_(new QLabel(tr("Worst places"), this)),
      findings_title_(new QLabel(this)),
      legend_(new QLabel(this)),
      floors_(new QToolButton(this)),
      zones_(new QToolButton(this)) {
    setObjectName("proofPage");
    auto* outer = new QVBoxLayout(this);
    outer->setContentsMargins(0, 0, 0, 0);
    auto* scroll = new QScrollArea(this);
    scroll->setWidgetResizable(true);
    scroll->setFrameShape(QFrame::NoFrame);
    scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    outer->addWidget(scroll);
    auto* sheet = new QWidget;
    sheet->setObjectName("proofSheet");
    dress(sheet, "QWidget#proofSheet { background: @paper; }");
    scroll->setWidget(sheet);
    auto* column = new QVBoxLayout(sheet);
    column->setContentsMargins(16, 10, 14, 12);
    column->setSpacing(0);
    add_head(column);
    column->addSpacing(6);
    table_ = new ProofTable(workspace, sheet);
    column->addWidget(table_);
    column->addSpacing(6);
    legend_->setObjectName("muted");
    legend_->setWordWrap(true);
    column->addWidget(legend_);
    column->addSpacing(10);
    worst_title_->setFont(render::font(13, 600));
    worst_title_->setObjectName("head");
    column->addWidget(worst_title_);
    column->addSpacing(6);
    cards_ = new WorstCards(workspace, sheet);
    column->addWidget(cards_);
    column->addSpacing(12);
    findings_title_->setObjectName("head");
    column->addWidget(findings_title_);
    column->addSpacing(4);
    findings_ = new FindingLines(workspace, sheet);
    column->addWidget(findings_);
    column->addStretch(1);
    connect(findings_, &FindingLines::all_asked, &workspace_.wishes(), &Wishes::findings);
    listen(this, &ProofPage::refresh, workspace.results(), &Results::changed, workspace,
           &Workspace::project_changed, workspace.found(), &FoundFindings::changed, workspace.in_view(),
           &InView::floor_changed);
    refresh();
}

void ProofPage::add_head(QVBoxLayout* column) {
    auto* head = new QHBoxLayout;
    title_->setObjectName("title");
    head->addWidget(title_, 1);
    auto* which = new QButtonGroup(this);
    for (auto [button, words, tip] :
         {std::tuple(floors_, tr("By floor"), tr("A column for each floor")),
          std::tuple(zones_, tr("By zone"), tr("A column for each zone of the floor in view"))}) {
        button->setObjectName("slimSegment");
        button->setText(words);
        button->setToolTip(tip);
        button->setCheckable(true);
        which->addButton(button);
        head->addWidget(button);
    }
    head->setSpacing(0);
    floors_->setChecked(true);
    connect(floors_, &QToolButton::clicked, this,
            [this] { table_->set_columns(ProofTable::Columns::floors); });
    connect(zones_, &QToolButton::clicked, this, [this] { table_->set_columns(ProofTable::Columns::zones); });
    auto* copy = new QPushButton(tr("Copy table"), this);
    copy->setObjectName("copyProof");
    copy->setToolTip(tr("The table as text for a spreadsheet (Ctrl+C)"));
    connect(copy, &QPushButton::clicked, this, &ProofPage::copy_table);
    head->addSpacing(10);
    head->addWidget(copy);
    column->addLayout(head);
    about_->setObjectName("muted");
    about_->setWordWrap(true);
    column->addWidget(about_);
    next_ = new QPushButton(tr("Place an access point"), this);
    next_->setObjectName("proofNext");
    connect(next_, &QPushButton::clicked, this, [this] {
        const bool placed = !placed_access_points(workspace_.project()).empty();
        workspace_.activity().set_step(placed ? Step::venue : Step::placement);
        workspace_.activity().set_tool(placed ? ToolId::wall : ToolId::access_point);
    });
    auto* line = new QHBoxLayout;
    line->setContentsMargins(0, 6, 0, 0);
    line->addWidget(next_);
    line->addStretch(1);
    column->addLayout(line);
}

void ProofPage::copy_table() {
    QApplication::clipboard()->setText(table_->text());
    workspace_.tell(tr("The table is on the clipboard"));
}

void ProofPage::keyPressEvent(QKeyEvent* e) {
    if (e->matches(QKeySequence::Copy)) return copy_table();
    QWidget::keyPressEvent(e);
}

void ProofPage::showEvent(QShowEvent*) { refresh(); }

void ProofPage::refresh() {
    if (!isVisible() && !title_->text().isEmpty()) return;
    if (!workspace_.document().is_open()) return;
    const Project& project = workspace_.project();
    title_->setText(tr("Proof of %1").arg(QString::fromStdString(project.name)));
    const Verdict* verdict = workspace_.results().verdict() ? &*workspace_.results().verdict() : nullptr;
    const QString lacks = proof_lacks(project, verdict);
    about_->setText(lacks.isEmpty() ? about(project, verdict) : lacks);
    table_->setVisible(lacks.isEmpty());
    const bool placed = !placed_access_points(project).empty();
    next_->setText(placed ? tr("Draw walls") : tr("Place an access point"));
    next_->setVisible(!requirements_in_force(project).empty() && !lacks.isEmpty());
    cards_->refresh();
    const bool places = cards_->count() > 0 && lacks.isEmpty();
    legend_->setVisible(lacks.isEmpty());
    legend_->setText(
        tr("Share of the demanded area, of clients or of radios, in %. Dotted: short by under 1 percentage "
           "point; hatched: not met; "
           "underlined: "
           "one of the bands is enough. A click on a figure goes where it comes from."));
    worst_title_->setVisible(places);
    cards_->setVisible(places);
    std::size_t open = workspace_.found().open(), all = workspace_.found().all()->size();
    findings_title_->setText(tr("Findings  <span style='font-weight:400'>%1 open%2</span>")
                                 .arg(open)
                                 .arg(all > open ? tr(", %1 accepted").arg(all - open) : QString()));
}

void ProofPage::paintEvent(QPaintEvent*) { QPainter(this).fillRect(rect(), theme().paper); }

}  // namespace yemvo::app
