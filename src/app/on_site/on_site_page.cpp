// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/on_site/on_site_page.h"

#include <QComboBox>
#include <QFileInfo>
#include <QHeaderView>
#include <QLabel>
#include <QPushButton>
#include <QSortFilterProxyModel>
#include <QStyledItemDelegate>

#include "app/asking/asking.h"
#include "app/asking/text_files.h"
#include "app/forms/form.h"
#include "app/forms/form_parts.h"
#include "app/look/tables.h"
#include "app/model/document.h"
#include "app/model/in_view.h"
#include "app/model/listening.h"
#include "app/model/selection.h"
#include "app/model/workspace.h"
#include "base/error.h"
#include "project/project.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

/// A state is chosen, not typed.
class StateDelegate : public QStyledItemDelegate {
public:
    using QStyledItemDelegate::QStyledItemDelegate;
    QWidget* createEditor(QWidget* parent, const QStyleOptionViewItem&, const QModelIndex&) const override {
        auto* box = new QComboBox(parent);
        box->setAccessibleName(tr("State"));
        for (const SiteStateName& s : site_states) box->addItem(tr(s.name));
        connect(box, qOverload<int>(&QComboBox::activated), this, [this, box] {
            auto* self = const_cast<StateDelegate*>(this);
            emit self->commitData(box);
            emit self->closeEditor(box);
        });
        return box;
    }
    void setEditorData(QWidget* editor, const QModelIndex& i) const override {
        auto* box = static_cast<QComboBox*>(editor);
        box->setCurrentIndex(std::max(0, box->findText(i.data(Qt::EditRole).toString())));
        box->showPopup();
    }
    void setModelData(QWidget* editor, QAbstractItemModel* model, const QModelIndex& i) const override {
        model->setData(i, static_cast<QComboBox*>(editor)->currentText(), Qt::EditRole);
    }
};

}  // namespace

OnSitePage::OnSitePage(Workspace& workspace, Asking& asking, QWidget* parent)
    : QWidget(parent),
      workspace_(workspace),
      asking_(asking),
      model_(new OnSiteTable(workspace, this)),
      sorted_(new QSortFilterProxyModel(this)) {
    sorted_->setSourceModel(model_);
    view_ = plain_table(sorted_, "onSiteTable", tr("Access points on site"),
                        {48, 130, 130, 170, 80, 92, 120, 130, 150, 170});
    view_->setSortingEnabled(true);
    view_->sortByColumn(-1, Qt::AscendingOrder);
    // what would change stands beside what it changes
    view_->horizontalHeader()->moveSection(OnSiteTable::change, OnSiteTable::floor);
    view_->horizontalHeader()->setSectionResizeMode(OnSiteTable::note, QHeaderView::Stretch);
    view_->setItemDelegateForColumn(OnSiteTable::state, new StateDelegate(view_));
    auto* column_box = new QVBoxLayout(this);
    column_box->setContentsMargins(0, 0, 0, 0);
    column_box->setSpacing(0);
    column_box->addWidget(make_head());
    auto* row = new QHBoxLayout;
    row->setSpacing(1);
    row->addWidget(view_, 1);
    naming_ = make_naming();
    naming_->hide();
    row->addWidget(naming_);
    column_box->addLayout(row, 1);
    listen(this, &OnSitePage::refresh, workspace, &Workspace::project_changed);
    connect(&workspace_.selection(), &Selection::changed, this, &OnSitePage::follow_selection);
    connect(view_->selectionModel(), &QItemSelectionModel::currentRowChanged, this, &OnSitePage::follow_row);
}

QWidget* OnSitePage::make_head() {
    auto* head = new QWidget;
    auto* bar = new QHBoxLayout(head);
    bar->setContentsMargins(12, 4, 12, 4);
    bar->setSpacing(8);
    summary_ = new QLabel;
    summary_->setObjectName("onSiteSummary");
    bar->addWidget(summary_);
    bar->addStretch(1);
    const auto add = [&](const QString& words, const char* object, const QString& tip, auto run) {
        auto* b = push_button(words, object, tip);
        connect(b, &QPushButton::clicked, this, run);
        bar->addWidget(b);
        return b;
    };
    take_ = add(tr("Take over"), "takeList", tr("What the list says becomes the plan, as one edit"),
                [this] { take_list(); });
    leave_ = add(tr("Leave it"), "leaveList", {}, [this] { end_list(); });
    read_ = add(tr("From a list…"), "readList",
                tr("A table (CSV) with names, places, serial numbers, states"), [this] { read_list(); });
    name_ = add(tr("Name them"), "nameAccessPoints", tr("Names by a scheme, counted in reading order"),
                [this] { show_names(!naming_->isVisible()); });
    return head;
}

QWidget* OnSitePage::make_naming() {
    auto* box = new QWidget;
    box->setFixedWidth(300);
    box->setAutoFillBackground(true);
    auto* column = new QVBoxLayout(box);
    column->setContentsMargins(12, 6, 12, 8);
    column->setSpacing(4);
    form_ = new Form(workspace_);
    const auto scheme = [this]() -> const NamingScheme& { return workspace_.project().handover.naming; };
    const auto change = [this](const auto& how) {
        workspace_.edit(tr("Change how access points are named"),
                        [&](Project& p) { how(p.handover.naming); });
    };
    UnitField* pattern = form_->name_field(
        form_->row(tr("Pattern")), "namePattern",
        [scheme] { return QString::fromStdString(scheme().pattern); },
        [change](const QString& text) {
            change([&](NamingScheme& n) { n.pattern = text.trimmed().toStdString(); });
        });
    QStringList parts;
    for (const NamePart& p : name_parts()) parts << QString("%1: %2").arg(QString(p.placeholder), tr(p.what));
    pattern->setToolTip(parts.join("\n"));
    form_->choice(
        form_->row(tr("Counted")), "nameCounted",
        {tr("on each floor"), tr("in each building"), tr("on the whole site")},
        [scheme] { return static_cast<int>(scheme().by); },
        [change](int i) { change([&](NamingScheme& n) { n.by = static_cast<CountedBy>(i); }); });
    form_->number_field(
        form_->row(tr("Digits")), "nameDigits", {}, 0, [scheme] { return double(scheme().digits); },
        [change](double v) { change([&](NamingScheme& n) { n.digits = static_cast<int>(v); }); },
        limits::name_digits);
    form_->number_field(
        form_->row(tr("From")), "nameFirst", {}, 0, [scheme] { return double(scheme().first); },
        [change](double v) { change([&](NamingScheme& n) { n.first = static_cast<int>(v); }); },
        limits::access_point_number);
    column->addWidget(form_);
    auto* row = new QHBoxLayout;
    row->setSpacing(6);
    scope_ = new QComboBox;
    scope_->setObjectName("nameScope");
    scope_->setAccessibleName(tr("Which are named"));
    scope_->addItems(
        {tr("All"), tr("Those on this floor"), tr("The chosen ones"), tr("Those without a name")});
    connect(scope_, qOverload<int>(&QComboBox::currentIndexChanged), this, &OnSitePage::preview_names);
    row->addWidget(scope_, 1);
    give_ = push_button(tr("Give names"), "giveNames");
    connect(give_, &QPushButton::clicked, this, &OnSitePage::give_names);
    row->addWidget(give_);
    column->addLayout(row);
    names_told_ = new QLabel;
    names_told_->setObjectName("small");
    names_told_->setWordWrap(true);
    column->addWidget(names_told_);
    column->addStretch(1);
    return box;
}

void OnSitePage::showEvent(QShowEvent*) { refresh(); }

QString OnSitePage::summary() const { return summary_->text(); }

void OnSitePage::refresh() {
    if (!isVisible() || !workspace_.document().is_open()) return;
    if (list_ && list_of_ != workspace_.document().opened_count()) end_list();
    int hung = 0, checked = 0, all = 0;
    for (const auto& [floor, ap] : placed_access_points(workspace_.project())) {
        ++all;
        hung += ap->on_site.state == SiteState::hung;
        checked += ap->on_site.state == SiteState::checked;
    }
    if (list_)
        summary_->setText(tr("The list: %1 new, %2 changed, %3 as they are; %4 are not in it")
                              .arg(list_->added)
                              .arg(list_->changed)
                              .arg(list_->same)
                              .arg(list_->not_listed));
    else
        summary_->setText(tr("%1: %2 hung, %3 checked")
                              .arg(counted("%n access point", "%n access points", all))
                              .arg(hung)
                              .arg(checked));
    take_->setVisible(list_.has_value());
    take_->setEnabled(list_ && list_->added + list_->changed > 0);
    leave_->setVisible(list_.has_value());
    read_->setVisible(!list_);
    name_->setVisible(!list_);
    view_->setColumnHidden(OnSiteTable::change, !list_ && !naming_->isVisible());
    form_->refresh();
    if (naming_->isVisible()) preview_names();
    follow_selection();
}

std::vector<AccessPointId> OnSitePage::named_ones() const {
    std::vector<AccessPointId> ids;
    for (const auto& [floor, ap] : placed_access_points(workspace_.project())) {
        const bool wanted = scope_->currentIndex() == 1 ? floor->id == workspace_.floor_id()
                            : scope_->currentIndex() == 2
                                ? workspace_.selection().has({ItemKind::access_point, ap->id.value})
                                : ap->name.empty();
        if (wanted) ids.push_back(ap->id);
    }
    return ids;
}

void OnSitePage::preview_names() {
    if (!naming_->isVisible() || list_) return;
    const auto only = scope_->currentIndex() == 0 ? std::vector<AccessPointId>() : named_ones();
    give_->setEnabled(false);
    if (scope_->currentIndex() != 0 && only.empty()) {
        model_->show_names({});
        names_told_->setText(tr("None are meant by that."));
        return;
    }
    try {
        const auto names = names_by(workspace_.project(), workspace_.project().handover.naming, only);
        model_->show_names(names);
        const auto doubled = std::ranges::count_if(names, &NewName::doubled);
        names_told_->setText(doubled > 0 ? counted("%n of them would share a name: add {floor} or {building}",
                                                   "%n of them would share a name: add {floor} or {building}",
                                                   doubled)
                                         : tr("Counted row by row from the north-west."));
        give_->setEnabled(doubled == 0 && !names.empty());
    } catch (const Error& fault) {
        model_->show_names({});
        names_told_->setText(fault_text(fault));
    }
}

void OnSitePage::show_names(bool on) {
    if (list_) end_list();
    naming_->setVisible(on);
    if (!on) model_->show_no_change();
    refresh();
}

void OnSitePage::give_names() {
    const auto only = scope_->currentIndex() == 0 ? std::vector<AccessPointId>() : named_ones();
    try {
        const auto names = names_by(workspace_.project(), workspace_.project().handover.naming, only);
        if (workspace_.edit(tr("Name access points"), [&](Project& p) { yemvo::give_names(p, names); }))
            workspace_.tell(counted("%n access point is named", "%n access points are named", names.size()));
    } catch (const Error& fault) {
        workspace_.tell(fault_text(fault), true);
    }
}

void OnSitePage::read_list() {
    const QString file =
        asking_.open_file(tr("Access points from a list"), tr("Tables (*.csv *.txt);;All files (*)"));
    if (file.isEmpty()) return;
    try {
        list_ = read_access_points(workspace_.project(), text_in_file(file),
                                   QFileInfo(file).fileName().toStdString());
        list_of_ = workspace_.document().opened_count();
        naming_->hide();
        model_->show_list(*list_);
    } catch (const Error& fault) {
        workspace_.tell(fault_text(fault), true);
    }
    refresh();
}

void OnSitePage::take_list() {
    if (!list_) return;
    const ListedAccessPoints list = *list_;
    end_list();
    if (workspace_.edit(tr("Take list of access points over"),
                        [&](Project& p) { take_access_points(p, list); }))
        workspace_.tell(tr("%1 added, %2 changed").arg(list.added).arg(list.changed));
}

void OnSitePage::end_list() {
    list_.reset();
    model_->show_no_change();
    refresh();
}

void OnSitePage::follow_row() {
    const QModelIndex now = sorted_->mapToSource(view_->currentIndex());
    if (!now.isValid() || !view_->hasFocus()) return;
    const AccessPointId id = model_->access_point(now.row());
    if (!id || workspace_.selection().has({ItemKind::access_point, id.value})) return;
    workspace_.in_view().show_floor(model_->floor_of(now.row()));
    workspace_.selection().select({{ItemKind::access_point, id.value}});
}

void OnSitePage::follow_selection() {
    if (!isVisible() || view_->hasFocus()) return;
    for (int row = 0; row < sorted_->rowCount(); ++row) {
        const int source = sorted_->mapToSource(sorted_->index(row, 0)).row();
        const AccessPointId id = model_->access_point(source);
        if (id && workspace_.selection().has({ItemKind::access_point, id.value}))
            return view_->selectRow(row);
    }
}

}  // namespace yemvo::app
