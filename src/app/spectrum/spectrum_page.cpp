// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/spectrum/spectrum_page.h"

#include <QAction>
#include <QButtonGroup>
#include <QHBoxLayout>
#include <QLabel>
#include <QScrollArea>
#include <QToolButton>
#include <algorithm>

#include "app/look/theme.h"
#include "app/model/document.h"
#include "app/model/listening.h"
#include "app/model/spectrum.h"
#include "app/model/workspace.h"
#include "app/spectrum/board_view.h"
#include "app/spectrum/meetings_list.h"
#include "project/project.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

/// The list beside the first lane.
constexpr double beside_share = 0.5;
/// Meetings that cost less are no matter.
constexpr double worth_telling = 0.02;

}  // namespace

SpectrumPage::SpectrumPage(Workspace& workspace, QWidget* parent) : QWidget(parent), workspace_(workspace) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    head_ = new QHBoxLayout;
    head_->setContentsMargins(12, 3, 8, 3);
    head_->setSpacing(8);
    summary_ = new QLabel;
    summary_->setObjectName("muted");
    head_->addWidget(summary_, 1);
    two(head_, tr("floors"), {tr("All"), tr("This one")}, "boardFloors", &SpectrumPage::show_floors);
    two(head_, tr("stacked by"), {tr("Floor"), tr("Access point")}, "boardStack", &SpectrumPage::stack_by);
    two(head_, tr("filled by"), {tr("Floor"), tr("Air in use")}, "boardFill", &SpectrumPage::fill_by);
    column->addLayout(head_);
    scroll_ = new QScrollArea;
    scroll_->setFrameShape(QFrame::NoFrame);
    scroll_->setWidgetResizable(true);
    scroll_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    board_ = new BoardView(workspace);
    scroll_->setWidget(board_);
    column->addWidget(scroll_, 1);
    beside_ = new QWidget(board_);
    beside_->setAutoFillBackground(true);
    auto* list = new QVBoxLayout(beside_);
    list->setContentsMargins(8, 6, 4, 2);
    list->setSpacing(2);
    auto* title = new QLabel(tr("Who takes air from whom"));
    title->setObjectName("groupTitle");
    list->addWidget(title);
    meetings_ = new MeetingsList(workspace);
    list->addWidget(meetings_, 1);
    connect(board_, &BoardView::arranged_anew, this, &SpectrumPage::place_list);
    listen(
        this, [this] { tell(); }, workspace.spectrum(), &Spectrum::changed, workspace.document(),
        &Document::opened);
}

void SpectrumPage::two(QHBoxLayout* row, const QString& words, const QStringList& names, const char* object,
                       void (SpectrumPage::*choose)(int)) {
    auto* label = new QLabel(words);
    label->setObjectName("small");
    row->addSpacing(6);
    row->addWidget(label);
    auto* group = new QButtonGroup(this);
    auto* pair = new QHBoxLayout;
    pair->setSpacing(0);
    for (int i = 0; i < names.size(); ++i) {
        auto* button = new QToolButton;
        button->setObjectName("segment");
        button->setProperty("choice", QString("%1%2").arg(object).arg(i));
        button->setText(names[i]);
        button->setAccessibleName(words + " " + names[i]);
        button->setCheckable(true);
        button->setChecked(i == 0);
        group->addButton(button, i);
        pair->addWidget(button);
    }
    row->addLayout(pair);
    connect(group, &QButtonGroup::idClicked, this, choose);
}

void SpectrumPage::add_button(QAction* action) {
    auto* button = new QToolButton;
    button->setDefaultAction(action);
    button->setObjectName("boardAction");
    button->setToolButtonStyle(Qt::ToolButtonTextOnly);
    head_->addSpacing(6);
    head_->addWidget(button);
}

void SpectrumPage::stack_by(int i) { board_->stack_by(i == 0 ? StackedBy::floor : StackedBy::access_point); }
void SpectrumPage::fill_by(int i) { board_->fill_by_use(i == 1); }
void SpectrumPage::show_floors(int i) { board_->show_this_floor_only(i == 1); }

void SpectrumPage::place_list() {
    const QRectF free = board_->beside();
    beside_->setVisible(free.width() > 200);
    beside_->setGeometry(free.adjusted(1, 0, 0, -1).toAlignedRect());
}

void SpectrumPage::resizeEvent(QResizeEvent*) {
    board_->keep_beside(std::max(320.0, width() * beside_share));
}

void SpectrumPage::showEvent(QShowEvent*) { tell(); }

QString SpectrumPage::summary() const { return summary_->text(); }

void SpectrumPage::tell() {
    if (!isVisible() || !workspace_.document().is_open()) return;
    const SpectrumNow& now = *workspace_.spectrum().now();
    const auto many =
        std::ranges::count_if(now.meetings, [](const AirMeeting& m) { return m.lost() >= worth_telling; });
    QString words;
    if (now.air.own == 0)
        words = tr("No radio is on: place access points first");
    else if (!now.heard)
        words = tr("Working out who hears whom…");
    else if (many == 0)
        words = tr("No radio loses 2 % of its air to another");
    else
        words =
            counted("%n pair loses 2 % of its air or more", "%n pairs lose 2 % of their air or more", many);
    if (const std::size_t others = now.air.radios.size() - now.air.own; others > 0)
        words +=
            "; " +
            (board_->unshown() > 0
                 ? tr("%1 neighbours, %2 of them weaker and not shown").arg(others).arg(board_->unshown())
                 : counted("%n neighbour", "%n neighbours", others));
    if (now.heard && now.air.assumed && now.air.own > 0)
        words += "; " + tr("without demand each is taken to send 20 % of the time");
    summary_->setText(words);
}

}  // namespace yemvo::app
