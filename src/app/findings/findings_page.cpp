// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/findings/findings_page.h"

#include <QCheckBox>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QLabel>
#include <QLineEdit>
#include <QPainter>
#include <QPushButton>
#include <algorithm>

#include "app/forms/form.h"
#include "app/look/columns.h"
#include "app/look/theme.h"
#include "app/model/activity.h"
#include "app/model/found_findings.h"
#include "app/model/going.h"
#include "app/model/in_view.h"
#include "app/model/tool_id.h"
#include "app/model/wishes.h"
#include "project/edits.h"
#include "project/project.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {

/// The open ones of a rule that have a mend.
static std::vector<Finding> to_mend(const std::vector<Finding>& all, Rule rule) {
    std::vector<Finding> out;
    for (const Finding& f : all)
        if (f.rule == rule && !f.waived && !f.mends.empty()) out.push_back(f);
    return out;
}
namespace {

bool same(const Finding& a, const Finding& b) {
    return a.rule == b.rule && a.subjects == b.subjects && a.floor == b.floor;
}

}  // namespace

FindingsTable::FindingsTable(Workspace& workspace, QObject* parent)
    : QAbstractTableModel(parent), workspace_(workspace) {
    connect(&workspace.found(), &FoundFindings::changed, this, &FindingsTable::refresh);
    refresh();
}

void FindingsTable::refresh() {
    beginResetModel();
    rows_ = *workspace_.found().all();
    std::stable_sort(rows_.begin(), rows_.end(), [](const Finding& a, const Finding& b) {
        return a.waived.has_value() < b.waived.has_value();
    });
    endResetModel();
}

const Finding* FindingsTable::finding(int row) const {
    return row >= 0 && row < rowCount() ? &rows_[static_cast<std::size_t>(row)] : nullptr;
}

int FindingsTable::row_of(const Finding& wanted) const {
    for (std::size_t i = 0; i < rows_.size(); ++i)
        if (same(rows_[i], wanted)) return static_cast<int>(i);
    return -1;
}

QVariant FindingsTable::data(const QModelIndex& index, int role) const {
    const Finding* f = finding(index.row());
    if (!f) return {};
    if (role == Qt::ForegroundRole && f->waived) return theme().muted;
    if (role == Qt::FontRole && index.column() == rule) return render::font(12.5, f->waived ? 400 : 500);
    if (role == Qt::ToolTipRole) return tr_mark(rule_info(f->rule).why);
    if (role != Qt::DisplayRole) return {};
    switch (index.column()) {
        case rule:
            return tr_mark(rule_info(f->rule).name);
        case what:
            return said_text(f->what);
        case floor: {
            const Floor* at = find_floor(workspace_.project(), f->floor);
            return at ? QString::fromStdString(floor_title(workspace_.project(), *at)) : QString();
        }
        default:
            if (f->waived) return tr("Accepted: %1").arg(QString::fromStdString(*f->waived));
            if (!f->mends.empty()) return said_text(f->mends.front().label);
            return f->remedy == Remedy::none ? tr("No automatic fix") : tr("Opens its tool");
    }
}

QVariant FindingsTable::headerData(int section, Qt::Orientation orientation, int role) const {
    if (orientation != Qt::Horizontal || role != Qt::DisplayRole) return {};
    static const char* names[] = {mark("Finding"), mark("What and where"), mark("Floor"), mark("Fix")};
    return tr(names[section]);
}

FindingsPage::FindingsPage(Workspace& workspace, QWidget* parent)
    : QWidget(parent),
      workspace_(workspace),
      model_(new FindingsTable(workspace, this)),
      table_(new QTableView(this)),
      title_(new QLabel(this)),
      why_(new QLabel(this)),
      mends_(new QVBoxLayout),
      note_(new QLineEdit(this)),
      waive_(new QPushButton(this)) {
    table_->setObjectName("findings");
    table_->setModel(model_);
    table_->setSelectionBehavior(QAbstractItemView::SelectRows);
    table_->setSelectionMode(QAbstractItemView::SingleSelection);
    table_->setShowGrid(false);
    table_->setFrameShape(QFrame::NoFrame);
    table_->verticalHeader()->hide();
    table_->verticalHeader()->setDefaultSectionSize(23);
    table_->horizontalHeader()->setSectionResizeMode(FindingsTable::what, QHeaderView::Stretch);
    table_->horizontalHeader()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
    set_column_width(*table_, FindingsTable::rule, 226);
    set_column_width(*table_, FindingsTable::floor, 146);
    set_column_width(*table_, FindingsTable::state, 162);
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(0);
    row->addWidget(table_, 1);
    auto* side = new QWidget(this);
    side->setObjectName("findingSide");
    side->setFixedWidth(300);
    auto* column = new QVBoxLayout(side);
    column->setContentsMargins(12, 8, 12, 8);
    column->setSpacing(5);
    title_->setFont(render::font(13, 600));
    why_->setObjectName("muted");
    for (QLabel* label : {title_, why_}) {
        label->setWordWrap(true);
        column->addWidget(label);
    }
    column->addLayout(mends_);
    limit_row_ = new QWidget(side);
    limit_place_ = new QHBoxLayout(limit_row_);
    limit_place_->setContentsMargins(0, 0, 0, 0);
    limit_what_ = new QLabel;
    limit_what_->setObjectName("small");
    limit_what_->setWordWrap(true);
    limit_place_->addWidget(limit_what_, 1);
    column->addWidget(limit_row_);
    column->addStretch(1);
    whole_zone_ = new QCheckBox(tr("for all of its kind in this zone"));
    whole_zone_->setObjectName("waiveZone");
    column->addWidget(whole_zone_);
    auto* accept = new QHBoxLayout;
    note_->setObjectName("waiverNote");
    note_->setPlaceholderText(tr("Why it is accepted"));
    accept->addWidget(note_, 1);
    waive_->setObjectName("waive");
    accept->addWidget(waive_);
    column->addLayout(accept);
    row->addWidget(side);
    connect(table_->selectionModel(), &QItemSelectionModel::currentRowChanged, this,
            [this](const QModelIndex& now) {
                const Finding* f = model_->finding(now.row());
                if (!f || !following_) return;
                shown_ = *f;
                show_row();
                show_finding(workspace_, *shown_);
            });
    connect(model_, &QAbstractItemModel::modelReset, this, [this] {
        const int at = shown_ ? model_->row_of(*shown_) : -1;
        const Finding* kept = model_->finding(at);
        shown_ = kept ? std::optional(*kept) : std::nullopt;
        if (!shown_) workspace_.in_view().mark_place(std::nullopt);
        following_ = false;
        if (kept) table_->setCurrentIndex(model_->index(at, 0));
        following_ = true;
        show_row();
    });
    connect(waive_, &QPushButton::clicked, this, &FindingsPage::waive_it);
    connect(note_, &QLineEdit::returnPressed, this, &FindingsPage::waive_it);
    connect(note_, &QLineEdit::textChanged, this,
            [this] { waive_->setEnabled(shown_ && (shown_->waived || !note_->text().trimmed().isEmpty())); });
    show_row();
}

void FindingsPage::show_row() {
    while (QLayoutItem* old = mends_->takeAt(0)) {
        if (old->widget()) old->widget()->deleteLater();
        delete old;
    }
    note_->setVisible(shown_ && !shown_->waived);
    waive_->setVisible(shown_.has_value());
    const ZoneId zone = shown_ ? zone_of(workspace_.project(), *shown_) : ZoneId{};
    whole_zone_->setVisible(shown_ && !shown_->waived && zone);
    whole_zone_->setChecked(false);
    show_limit();
    if (!shown_) {
        const std::size_t open = workspace_.found().open();
        title_->setText(open == 0 ? tr("Nothing found") : counted("%n finding", "%n findings", open));
        why_->setText(open == 0 ? tr("No open findings in this venue.")
                                : tr("Choose one: the plan goes there, and its mend stands here."));
        return;
    }
    title_->setText(said_text(shown_->what));
    why_->setText(tr_mark(rule_info(shown_->rule).why));
    note_->clear();
    waive_->setText(shown_->waived ? tr("No longer accepted") : tr("Accept"));
    waive_->setEnabled(shown_->waived.has_value());
    const auto button = [&](const QString& text, const QString& object, auto run) {
        auto* b = new QPushButton(text, this);
        b->setObjectName(object);
        connect(b, &QPushButton::clicked, this, run);
        mends_->addWidget(b);
    };
    for (std::size_t i = 0; i < shown_->mends.size(); ++i)
        button(said_text(shown_->mends[i].label), QString("mend%1").arg(i), [this, i] { mend(i); });
    if (const std::size_t all = to_mend(*workspace_.found().all(), shown_->rule).size(); all > 1)
        button(counted("Mend all %n of this kind", "Mend all %n of this kind", all), "mendAll",
               [this] { mend_all(); });
    if (shown_->remedy != Remedy::none) {
        static const char* names[] = {"", mark("Set the scale"), mark("Align the floor"),
                                      mark("Open the type")};
        button(tr(names[static_cast<int>(shown_->remedy)]), "remedy", [this] { remedy(); });
    }
}

/// The field is made anew for each rule: its unit stands in it.
void FindingsPage::show_limit() {
    delete limit_;
    limit_ = nullptr;
    const std::optional<RuleLimit> limit = shown_ ? rule_info(shown_->rule).limit : std::nullopt;
    limit_row_->setVisible(limit.has_value());
    if (!limit) return;
    const QString what = tr_mark(limit->what);
    limit_what_->setText(what);
    limit_ = new UnitField(limit->unit.empty() ? QString() : tr_mark(limit->unit));
    limit_->setObjectName("ruleLimit");
    limit_->setAccessibleName(what);
    limit_->setFixedWidth(92);
    limit_->show_value(render::figure(limit_of(workspace_.project(), shown_->rule), limit->decimals));
    limit_place_->addWidget(limit_);
    limit_->show();
    connect(limit_, &UnitField::confirmed, this, &FindingsPage::change_limit);
}

void FindingsPage::change_limit(const QString& typed) {
    if (!shown_) return;
    const Rule rule = shown_->rule;
    const RuleLimit limit = *rule_info(rule).limit;
    try {
        const double value =
            parse_number(typed, limit.low, limit.high,
                         QString::fromUtf8(limit.unit.data(), static_cast<int>(limit.unit.size())));
        workspace_.edit(tr("Change limit of a rule"), [&](Project& p) { set_limit(p, rule, value); });
    } catch (const Error& fault) {
        limit_->show_fault(fault_text(fault));
    }
}

void FindingsPage::mend(std::size_t index) {
    const Finding f = *shown_;
    try {
        workspace_.edit(said_text(f.mends.at(index).label), f.mends[index].apply);
    } catch (const std::logic_error&) {
        workspace_.tell(tr("This finding is about something that has changed since: look again in a moment"),
                        true);
    }
}

/// As one edit, each by its first mend; one that another mend has settled meanwhile is passed over.
void FindingsPage::mend_all() {
    const std::vector<Finding> all = to_mend(*workspace_.found().all(), shown_->rule);
    std::size_t passed = 0;
    workspace_.edit(counted("Mend %n finding", "Mend %n findings", all.size()), [&](Project& p) {
        for (const Finding& f : all) {
            Project next = p;
            try {
                f.mends.front().apply(next);
                p = std::move(next);
            } catch (const std::logic_error&) {
                ++passed;
            }
        }
    });
    if (passed > 0)
        workspace_.tell(counted("%n finding was about something that has changed since",
                                "%n findings were about something that has changed since", passed));
}

void FindingsPage::choose(const std::vector<Rule>& rules) {
    for (const Rule rule : rules)
        for (int row = 0; row < model_->rowCount(); ++row)
            if (const Finding* f = model_->finding(row); f->rule == rule && !f->waived)
                return table_->setCurrentIndex(model_->index(row, 0));
}

void FindingsPage::remedy() {
    const Finding f = *shown_;
    show_finding(workspace_, f);
    if (f.remedy == Remedy::types_page) return emit workspace_.wishes().type_page(f.type);
    workspace_.activity().set_step(Step::venue);
    workspace_.activity().set_tool(f.remedy == Remedy::scale_tool ? ToolId::scale : ToolId::align);
}

void FindingsPage::waive_it() {
    if (!shown_) return;
    const Finding f = *shown_;
    const std::string note = note_->text().trimmed().left(500).toStdString();
    if (!f.waived && note.empty()) return;
    const bool zone = whole_zone_->isVisible() && whole_zone_->isChecked();
    workspace_.edit(f.waived ? tr("Take acceptance back") : tr("Accept finding"),
                    [&](Project& p) { waive(p, f, f.waived ? std::nullopt : std::optional(note), zone); });
}

}  // namespace yemvo::app
