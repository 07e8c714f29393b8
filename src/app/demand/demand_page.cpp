// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/demand/demand_page.h"

#include <QComboBox>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QLabel>
#include <QMenu>
#include <QPainter>
#include <QStyledItemDelegate>
#include <QTableWidget>
#include <QToolButton>
#include <QVBoxLayout>

#include "app/forms/form_parts.h"
#include "app/forms/page_parts.h"
#include "app/look/columns.h"
#include "app/look/theme.h"
#include "app/model/going.h"
#include "app/model/in_view.h"
#include "app/model/listening.h"
#include "app/model/results.h"
#include "app/model/selection.h"
#include "capacity/site_capacity.h"
#include "project/edits.h"
#include "render/plan_demand.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

enum DemandColumn {
    zone_column,
    area_column,
    people_column,
    density_column,
    clients_column,
    down_column,
    up_column,
    got_column,
    satisfied_column,
    columns
};

/// A floor's own line is its sum, in bold; a zone has a swatch of its density and a bar of what it asks.
class DemandDelegate : public QStyledItemDelegate {
public:
    explicit DemandDelegate(DemandPage& page) : QStyledItemDelegate(&page), page_(page) {}
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const auto at = static_cast<std::size_t>(index.row());
        if (at >= page_.rows().size()) return;
        const DemandPage::Row& row = page_.rows()[at];
        const bool floor = !row.item;
        if (option.state & QStyle::State_Selected) p->fillRect(option.rect, theme().accent_tint);
        p->fillRect(QRect(option.rect.left(), option.rect.bottom(), option.rect.width(), 1),
                    floor ? theme().line : theme().line2);
        QRectF r = QRectF(option.rect).adjusted(8, 0, -8, 0);
        p->setFont(render::font(12.5, floor ? 600 : 400));
        if (index.column() == zone_column && !floor) {
            const QRectF swatch(r.left() + 4, r.center().y() - 4.5, 9, 9);
            if (row.item->kind == ItemKind::zone) {
                p->fillRect(swatch, render::density_colour(row.density, theme()));
                p->setPen(theme().edge);
                p->drawRect(swatch);
            } else {
                p->setPen(theme().muted);
                p->setBrush(Qt::NoBrush);
                render::paint_device(*p, swatch.center());
            }
            r.setLeft(r.left() + 22);
        }
        if (index.column() == down_column && !floor && row.down_mbps > 0) {
            const QRectF bar(r.left(), r.center().y() - 3.5,
                             std::max(1.0, 46 * row.down_mbps / page_.most_down_mbps()), 7);
            p->fillRect(bar, theme().ink);
        }
        const QVariant outcome = index.data(Qt::UserRole);
        p->setPen(outcome.isValid() && outcome.toBool() ? theme().not_met : theme().ink);
        const bool words = index.column() == zone_column;
        p->drawText(
            r, static_cast<int>(Qt::AlignVCenter) | static_cast<int>(words ? Qt::AlignLeft : Qt::AlignRight),
            p->fontMetrics().elidedText(index.data().toString(), Qt::ElideRight,
                                        static_cast<int>(r.width())));
    }

private:
    DemandPage& page_;
};

QString count(double n) { return n > 0 && n < 1 ? QStringLiteral("< 1") : render::figure(n); }
QString density(double per_m2) {
    return per_m2 > 0 && per_m2 < 0.01 ? QStringLiteral("< 0.01") : render::figure(per_m2, 2);
}
QString rate(double mbps) { return mbps > 0 && mbps < 1 ? QStringLiteral("< 1") : render::figure(mbps); }

}  // namespace

DemandPage::DemandPage(Workspace& workspace, QWidget* parent)
    : QWidget(parent),
      workspace_(workspace),
      hour_(new QComboBox(this)),
      summary_(new QLabel(this)),
      table_(new QTableWidget(0, columns, this)) {
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(0);
    build_left();
    table_->setObjectName("demand");
    table_->setAccessibleName(tr("Demand by zone"));
    table_->setHorizontalHeaderLabels({tr("Zone"), tr("m²"), tr("People"), tr("a m²"), tr("Clients"),
                                       tr("Mbit/s down"), tr("up"), tr("a client"), tr("Satisfied")});
    table_->horizontalHeaderItem(got_column)->setToolTip(tr("Mbit/s down that a client gets in the mean"));
    table_->horizontalHeaderItem(satisfied_column)
        ->setToolTip(tr("Share of the clients that get what they need: signal, rate, and what they ask for"));
    table_->verticalHeader()->hide();
    table_->verticalHeader()->setDefaultSectionSize(20);
    table_->setShowGrid(false);
    table_->setFrameShape(QFrame::NoFrame);
    table_->setSelectionBehavior(QAbstractItemView::SelectRows);
    table_->setSelectionMode(QAbstractItemView::SingleSelection);
    table_->setEditTriggers(QAbstractItemView::NoEditTriggers);
    table_->setItemDelegate(new DemandDelegate(*this));
    table_->horizontalHeader()->setSectionResizeMode(zone_column, QHeaderView::Stretch);
    table_->horizontalHeaderItem(zone_column)->setTextAlignment(Qt::AlignLeft | Qt::AlignVCenter);
    for (const auto& [column, width] : {std::pair{area_column, 62},
                                        {people_column, 66},
                                        {density_column, 60},
                                        {clients_column, 66},
                                        {down_column, 124},
                                        {up_column, 56},
                                        {got_column, 74},
                                        {satisfied_column, 84}}) {
        table_->horizontalHeaderItem(column)->setTextAlignment(Qt::AlignRight | Qt::AlignVCenter);
        set_column_width(*table_, column, width);
    }
    row->addWidget(table_, 1);
    side_ = build_side();
    row->addWidget(page_side(this, side_, 262));
    listen(this, &DemandPage::refresh, workspace.results(), &Results::changed, workspace,
           &Workspace::project_changed, workspace.in_view(), &InView::floor_changed);
    connect(hour_, &QComboBox::activated, this, &DemandPage::choose_hour);
    connect(table_, &QTableWidget::cellClicked, this, &DemandPage::go_to);
    connect(table_, &QTableWidget::cellActivated, this, &DemandPage::go_to);
}

void DemandPage::build_left() {
    auto* left = new QWidget(this);
    left->setFixedWidth(214);
    auto* column = new QVBoxLayout(left);
    column->setContentsMargins(12, 8, 12, 8);
    column->addWidget(group_head(tr("Busy hour")));
    auto* row = new QHBoxLayout;
    row->setSpacing(4);
    hour_->setObjectName("busyHour");
    hour_->setAccessibleName(tr("Busy hour"));
    hour_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Fixed);
    row->addWidget(hour_, 1);
    more_ = new QToolButton(this);
    more_->setObjectName("slimSegment");
    more_->setText("…");
    more_->setAccessibleName(tr("Busy hours"));
    more_->setToolTip(tr("Add, rename or remove a busy hour"));
    more_->setPopupMode(QToolButton::InstantPopup);
    more_->setFixedWidth(40);
    row->addWidget(more_);
    column->addLayout(row);
    summary_->setObjectName("muted");
    summary_->setWordWrap(true);
    column->addWidget(summary_);
    column->addStretch(1);
    qobject_cast<QHBoxLayout*>(layout())->addWidget(left);
}

void DemandPage::set_hours_menu(QMenu* menu) { more_->setMenu(menu); }

Form* DemandPage::build_side() {
    auto* form = new Form(workspace_, this);
    const auto uplink = [this]() -> const Uplink& { return workspace_.project().demand.uplink; };
    const auto number = [&](QHBoxLayout* row, const QString& object, const QString& unit, int decimals,
                            double Uplink::*member, Range range, double scale) {
        form->number_field(
            row, object, unit, decimals, [=] { return scale * uplink().*member; },
            [=, this](double v) {
                workspace_.edit(tr("Change uplink"),
                                [&](Project& p) { p.demand.uplink.*member = v / scale; });
            },
            range);
    };
    form->group(tr("The site against its uplink"));
    number(form->row(tr("Circuit down")), "uplinkDown", "Mbit/s", 0, &Uplink::down_mbps, limits::demand_mbps,
           1);
    number(form->row(tr("Circuit up")), "uplinkUp", "Mbit/s", 0, &Uplink::up_mbps, limits::demand_mbps, 1);
    number(form->row(tr("Allowed")), "uplinkAllowed", tr("% of it"), 0, &Uplink::allowed, {0, 100}, 100);
    const auto load = [this] { return uplink_load(workspace_.project().demand, figures_.site); };
    const auto of = [](double asked, double share, double there) {
        if (there <= 0) return tr("%1 Mbit/s, circuit not told").arg(render::figure(asked));
        return tr("%1 Mbit/s, %2 of it").arg(render::figure(asked), render::percent(share, 0));
    };
    form->text(tr("Down"),
               [=, this] { return of(figures_.site.down_mbps, load().down_share, uplink().down_mbps); })
        ->setObjectName("uplinkDownLoad");
    form->text(tr("Up"), [=, this] { return of(figures_.site.up_mbps, load().up_share, uplink().up_mbps); });
    form->text(tr("Verdict"),
               [=, this] {
                   if (figures_.site.clients <= 0) return tr("nobody asks for anything");
                   if (load().down_share > uplink().allowed || load().up_share > uplink().allowed)
                       return tr("The circuit is too narrow");
                   if (uplink().connections > 0 && load().connections > uplink().connections)
                       return tr("The gateway holds too few connections");
                   return uplink().down_mbps > 0 ? tr("Wide enough") : tr("not told");
               })
        ->setObjectName("uplinkVerdict");
    form->group(tr("Gateway"));
    number(form->row(tr("It holds")), "connections", tr("connections"), 0, &Uplink::connections,
           limits::counted, 1);
    number(form->row(tr("A client")), "connectionsEach", tr("connections"), 0,
           &Uplink::connections_per_client, limits::counted, 1);
    form->text(tr("Needed"), [=] {
        return tr("%1 connections, %2 addresses")
            .arg(render::figure(load().connections), render::figure(load().addresses));
    });
    form->group(tr("Clients by highest band"));
    for (const Band& b : bands())
        form->text(QString::fromStdString(b.name) + " GHz", [this, index = b.id.index] {
            double all = 0;
            for (double n : figures_.highest_band) all += n;
            const double own = index < figures_.highest_band.size() ? figures_.highest_band[index] : 0;
            return all > 0 ? render::figure(own) + ", " + render::percent(own / all, 0) : QString("0");
        });
    form->stretch();
    return form;
}

void DemandPage::showEvent(QShowEvent*) { refresh(); }

void DemandPage::fill_hours() {
    const DemandBook& book = workspace_.project().demand;
    QStringList names;
    for (const BusyHour& h : book.hours) names << QString::fromStdString(h.name);
    QStringList now;
    for (int i = 0; i < hour_->count(); ++i) now << hour_->itemText(i);
    if (now != names) {
        hour_->clear();
        hour_->addItems(names);
    }
    const auto at = std::ranges::find(book.hours, book.hour, &BusyHour::key);
    hour_->setCurrentIndex(at == book.hours.end() ? 0 : static_cast<int>(at - book.hours.begin()));
}

void DemandPage::choose_hour(int index) {
    const auto& hours = workspace_.project().demand.hours;
    if (index < 0 || static_cast<std::size_t>(index) >= hours.size()) return;
    look_at_hour(workspace_, std::string(hours[static_cast<std::size_t>(index)].key));
}

void DemandPage::add_row(const Row& row, const QString& name, const DemandFigures& f,
                         const PlaceCapacity* c) {
    const int at = static_cast<int>(rows_.size());
    if (at >= table_->rowCount()) table_->insertRow(at);
    rows_.push_back(row);
    const QString none = QStringLiteral("–");
    const bool served = c && c->clients > 0;
    const bool devices = row.item && row.item->kind == ItemKind::device_row;
    const QStringList words{name,
                            devices ? none : render::figure(f.area_m2),
                            devices ? none : count(f.people),
                            devices    ? none
                            : row.item ? density(f.people_per_m2())
                                       : QString(),
                            count(f.clients),
                            rate(f.down_mbps),
                            rate(f.up_mbps),
                            served ? render::figure(c->mbps_a_client(), 2) : none,
                            served ? render::percent(c->satisfied_share(), 1) : none};
    // in place: a drag tells it anew frame by frame
    for (int i = 0; i < words.size(); ++i) {
        QTableWidgetItem* item = table_->item(at, i);
        if (!item) table_->setItem(at, i, item = new QTableWidgetItem);
        if (item->text() != words[i]) item->setText(words[i]);
        if (i != satisfied_column) continue;
        const QVariant poor = served ? QVariant(c->satisfied_share() < 0.95) : QVariant();
        if (item->data(Qt::UserRole) != poor) item->setData(Qt::UserRole, poor);
    }
}

void DemandPage::add_place(const Floor& floor, const ZoneFigures& f, const HourCapacity* hour) {
    if (f.row)
        return add_row({floor.id, Item{ItemKind::device_row, f.row.value}, f.down_mbps, 0},
                       QString::fromStdString(find_device_row(floor, f.row)->name), f,
                       hour ? hour->find(f.row) : nullptr);
    add_row({floor.id, Item{ItemKind::zone, f.zone.value}, f.down_mbps, f.people_per_m2()},
            QString::fromStdString(find_zone(floor, f.zone)->name), f, hour ? hour->find(f.zone) : nullptr);
}

void DemandPage::refresh() {
    if (!isVisible() || !workspace_.floor()) return;
    const Project& project = workspace_.project();
    fill_hours();
    figures_ = demand_table(project, project.demand.hour);
    const auto* site = workspace_.results().find<SiteCapacity>();
    const HourCapacity* hour = site ? site->find(project.demand.hour) : nullptr;
    most_down_mbps_ = 0;
    for (const ZoneFigures& z : figures_.zones) most_down_mbps_ = std::max(most_down_mbps_, z.down_mbps);
    rows_.clear();
    for (const FloorFigures& f : figures_.floors) {
        const Floor& floor = *find_floor(project, f.floor);
        const FloorCapacity* of_floor = nullptr;
        if (hour)
            for (const FloorCapacity& c : hour->floors)
                if (c.floor == f.floor) of_floor = &c;
        add_row({f.floor, std::nullopt, f.down_mbps, 0}, QString::fromStdString(floor_title(project, floor)),
                f, of_floor);
        for (const ZoneFigures& z : figures_.zones)
            if (z.floor == f.floor) add_place(floor, z, hour);
    }
    table_->setRowCount(static_cast<int>(rows_.size()));
    if (figures_.zones.empty())
        summary_->setText(
            tr("No zone says who is there. Draw a zone, select it, and choose its use in Details."));
    else
        summary_->setText(
            tr("%1 people with %2 clients ask for %3 Mbit/s down and %4 up.")
                .arg(render::figure(figures_.site.people), render::figure(figures_.site.clients),
                     rate(figures_.site.down_mbps), rate(figures_.site.up_mbps)) +
            (hour && hour->site.clients > 0
                 ? "\n" + tr("%1 of the clients get what they need.")
                              .arg(render::percent(hour->site.satisfied_share(), 1))
                 : QString()) +
            (hour && !hour->settled ? "\n" + tr("Radios starve on one channel: figures are rough.")
                                    : QString()));
    side_->refresh();
}

void DemandPage::go_to(int row) {
    if (row < 0 || static_cast<std::size_t>(row) >= rows_.size()) return;
    const Row to = rows_[static_cast<std::size_t>(row)];
    workspace_.in_view().show_floor(to.floor);
    if (to.item) workspace_.selection().select_alone({*to.item});
}

void DemandPage::paintEvent(QPaintEvent*) { QPainter(this).fillRect(rect(), theme().paper); }

}  // namespace yemvo::app
