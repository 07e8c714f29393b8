// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/costs/costs_page.h"

#include <QComboBox>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QLabel>
#include <QPainter>
#include <QStyledItemDelegate>
#include <QVBoxLayout>

#include "app/look/columns.h"
#include "app/look/theme.h"
#include "app/model/in_view.h"
#include "app/model/listening.h"
#include "app/model/results.h"
#include "app/model/selection.h"
#include "app/model/shown_map.h"
#include "project/item.h"
#include "project/project.h"
#include "render/plan_walls.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

enum CostColumn { type_column, mean_column, cost_area_column, all_column };

/// A sample of the type before its name; the last column's share as a bar.
class CostDelegate : public QStyledItemDelegate {
public:
    explicit CostDelegate(CostsPage& page) : QStyledItemDelegate(&page), page_(page) {}
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const auto row = static_cast<std::size_t>(index.row());
        if (row >= page_.costs().rows.size()) return;
        const CostRow& cost = page_.costs().rows[row];
        if (option.state & QStyle::State_Selected) p->fillRect(option.rect, theme().accent_tint);
        p->fillRect(QRect(option.rect.left(), option.rect.bottom(), option.rect.width(), 1), theme().line2);
        const QRectF r = QRectF(option.rect).adjusted(8, 0, -8, 0);
        p->setFont(render::font(12.5, index.column() == type_column ? 500 : 400));
        p->setPen(theme().ink);
        if (index.column() == type_column) {
            render::paint_type_sample(*p, QRectF(r.left(), r.center().y() - 6, 26, 12),
                                      wall_type(page_.project(), cost.type), theme());
            p->setPen(theme().ink);
            p->drawText(r.adjusted(34, 0, 0, 0), Qt::AlignVCenter, index.data().toString());
            return;
        }
        if (index.column() != all_column) {
            p->drawText(r, Qt::AlignVCenter | Qt::AlignRight, index.data().toString());
            return;
        }
        const double most = page_.costs().rows.front().total();
        const QRectF bar(r.left(), r.center().y() - 3.5, r.width() - 52, 7);
        p->fillRect(bar, theme().line2);
        p->fillRect(QRectF(bar.topLeft(), QSizeF(bar.width() * cost.total() / most, bar.height())),
                    theme().accent);
        p->drawText(r, Qt::AlignVCenter | Qt::AlignRight, index.data().toString());
    }

private:
    CostsPage& page_;
};

QString share_text(double share) {
    return share > 0 && share < 0.01 ? QStringLiteral("< 1 %") : render::percent(share, 0);
}

}  // namespace

CostsPage::CostsPage(Workspace& workspace, QWidget* parent)
    : QWidget(parent),
      workspace_(workspace),
      area_(new QComboBox(this)),
      summary_(new QLabel(this)),
      table_(new QTableWidget(0, 4, this)) {
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(0);
    auto* left = new QWidget(this);
    left->setFixedWidth(240);
    auto* column = new QVBoxLayout(left);
    column->setContentsMargins(12, 8, 12, 8);
    auto* title = new QLabel(tr("Largest losses over"));
    title->setObjectName("groupTitle");
    column->addWidget(title);
    area_->setObjectName("costsArea");
    area_->setAccessibleName(tr("Area"));
    column->addWidget(area_);
    summary_->setObjectName("muted");
    summary_->setWordWrap(true);
    column->addWidget(summary_);
    column->addStretch(1);
    row->addWidget(left);
    table_->setObjectName("costs");
    table_->setAccessibleName(tr("Largest losses"));
    table_->setHorizontalHeaderLabels(
        {tr("Type"), tr("Mean loss"), tr("Area affected"), tr("Share of loss")});
    table_->verticalHeader()->hide();
    table_->verticalHeader()->setDefaultSectionSize(23);
    table_->setShowGrid(false);
    table_->setFrameShape(QFrame::NoFrame);
    table_->setSelectionBehavior(QAbstractItemView::SelectRows);
    table_->setSelectionMode(QAbstractItemView::SingleSelection);
    table_->setEditTriggers(QAbstractItemView::NoEditTriggers);
    table_->setItemDelegate(new CostDelegate(*this));
    table_->horizontalHeader()->setSectionResizeMode(type_column, QHeaderView::Stretch);
    table_->horizontalHeaderItem(type_column)->setTextAlignment(Qt::AlignLeft | Qt::AlignVCenter);
    set_column_width(*table_, mean_column, 130);
    set_column_width(*table_, cost_area_column, 150);
    set_column_width(*table_, all_column, 250);
    row->addWidget(table_, 1);
    listen(this, &CostsPage::refresh, workspace.results(), &Results::changed, workspace.shown(),
           &ShownMap::changed, workspace.in_view(), &InView::floor_changed);
    connect(area_, &QComboBox::activated, this, &CostsPage::ask);
    connect(table_, &QTableWidget::cellClicked, this, &CostsPage::select_type);
}

void CostsPage::showEvent(QShowEvent*) { refresh(); }

void CostsPage::refresh() {
    if (!isVisible() || !workspace_.floor()) return;
    fill_areas();
    ask();
}

void CostsPage::fill_areas() {
    const Floor& f = *workspace_.floor();
    if (listed_floor_ == f.id && listed_zones_ == f.zones.identity()) return;
    listed_floor_ = f.id;
    listed_zones_ = f.zones.identity();
    area_->clear();
    area_->addItem(QString::fromStdString(f.name), 0u);
    for (const Zone& z : *f.zones)
        if (z.kind == ZoneKind::served || z.kind == ZoneKind::keep_out)
            area_->addItem(QString::fromStdString(z.name), z.id.value);
}

void CostsPage::ask() {
    const FloorPrediction* p = workspace_.results().floor_prediction();
    if (!p) return;
    band_ = workspace_.shown().map().bands.first();
    std::vector<std::uint8_t> wanted = p->mask->demanded;
    if (const ZoneId zone{area_->currentData().toUInt()}) {
        RequirementSet only;
        only.zones = {zone};
        wanted = asked_cells(only, *workspace_.floor(), *p->mask);
    }
    asked_ = workspace_.project();
    // the values are shared or copied: the thread looks at none of the window's
    behind_.request(job(
        {},
        [project = workspace_.project(), floor = *p, band = band_, wanted = std::move(wanted)](
            const AtWork& at) { return what_costs(project, floor, band, wanted, at.cancel()); },
        [this, wish = ++wish_](const Costs& costs) {
            if (wish == wish_) show_costs(costs);
        },
        [this](const QString& why) {
            workspace_.tell(tr("The largest losses could not be worked out: %1").arg(why), true);
        }));
}

void CostsPage::show_costs(const Costs& costs) {
    costs_ = costs;
    of_ = asked_;
    const QString band_name = QString::fromStdString(band(band_).name) + " GHz";
    if (costs.rows.empty())
        summary_->setText(costs.area_m2 > 0
                              ? tr("Nothing is in the way of the serving radios at %1").arg(band_name)
                              : tr("No radio serves here at %1").arg(band_name));
    else
        summary_->setText(
            tr("At %1 the serving radios reach %2; what is in their way takes %3 dB in the mean. A "
               "click on a type selects it on the plan.")
                .arg(band_name, render::local(format_area(costs.area_m2, workspace_.units())),
                     render::figure(costs.mean_way_db, 1)));
    table_->setRowCount(static_cast<int>(costs.rows.size()));
    double all = 0;
    for (const CostRow& r : costs.rows) all += r.total();
    for (std::size_t i = 0; i < costs.rows.size(); ++i) {
        const CostRow& r = costs.rows[i];
        const QStringList words{QString::fromStdString(wall_type(of_, r.type).name),
                                render::figure(r.mean_db, 1) + " dB",
                                render::local(format_area(r.area_m2, workspace_.units())) + ", " +
                                    share_text(r.area_m2 / costs.area_m2),
                                share_text(r.total() / all)};
        for (int c = 0; c < words.size(); ++c)
            table_->setItem(static_cast<int>(i), c, new QTableWidgetItem(words[c]));
    }
    table_->viewport()->update();
}

void CostsPage::select_type(int row) {
    if (row < 0 || static_cast<std::size_t>(row) >= costs_.rows.size()) return;
    std::vector<Item> there;
    for (const TypeSite& site :
         uses_of_type(workspace_.project(), costs_.rows[static_cast<std::size_t>(row)].type))
        if (site.floor == workspace_.floor_id() && site.item) there.push_back(*site.item);
    if (there.empty()) workspace_.tell(tr("That type is in the way, but nothing of it is on this floor"));
    workspace_.selection().select_alone(there);
}

void CostsPage::paintEvent(QPaintEvent*) { QPainter(this).fillRect(rect(), theme().paper); }

}  // namespace yemvo::app
