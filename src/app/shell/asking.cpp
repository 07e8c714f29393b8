#include "app/shell/asking.h"

#include <QCheckBox>
#include <QDialog>
#include <QFileDialog>
#include <QHBoxLayout>
#include <QInputDialog>
#include <QLabel>
#include <QMessageBox>
#include <QPushButton>
#include <QVBoxLayout>

namespace yemvo::app {

namespace {

std::optional<FloorParts> ask_what_comes_along(QWidget* window, const QString& floor) {
    QDialog dialog(window);
    dialog.setWindowTitle("Duplicate " + floor);
    auto* column = new QVBoxLayout(&dialog);
    auto* head = new QLabel("A copy of " + floor + " above it, with");
    head->setObjectName("head");
    column->addWidget(head);
    FloorParts parts;
    const std::pair<const char*, bool FloorParts::*> rows[] = {
        {"Walls, doors and windows", &FloorParts::walls},
        {"Zones", &FloorParts::zones},
        {"Voids of the slab", &FloorParts::voids},
        {"Drawings", &FloorParts::drawings},
        {"Access points", &FloorParts::access_points}};
    for (const auto& [words, part] : rows) {
        auto* box = new QCheckBox(words);
        box->setChecked(parts.*part);
        QObject::connect(box, &QCheckBox::toggled, &dialog,
                         [&parts, part = part](bool on) { parts.*part = on; });
        column->addWidget(box);
    }
    auto* buttons = new QHBoxLayout;
    auto* cancel = new QPushButton("Cancel");
    auto* accept = new QPushButton("Duplicate");
    accept->setObjectName("main");
    accept->setDefault(true);
    buttons->addStretch(1);
    buttons->addWidget(cancel);
    buttons->addWidget(accept);
    column->addSpacing(6);
    column->addLayout(buttons);
    QObject::connect(cancel, &QPushButton::clicked, &dialog, &QDialog::reject);
    QObject::connect(accept, &QPushButton::clicked, &dialog, &QDialog::accept);
    if (dialog.exec() != QDialog::Accepted) return std::nullopt;
    return parts;
}

}  // namespace

Asking ask_by_dialogs(QWidget* window) {
    Asking a;
    a.open_file = [window](const QString& title, const QString& filter) {
        return QFileDialog::getOpenFileName(window, title, {}, filter);
    };
    a.save_file = [window](const QString& title, const QString& proposed, const QString& filter) {
        return QFileDialog::getSaveFileName(window, title, proposed, filter);
    };
    a.unsaved = [window](const QString& project) {
        QMessageBox box(QMessageBox::NoIcon, "Yemvo", "Save the changes to " + project + "?", {}, window);
        auto* save = box.addButton("Save", QMessageBox::AcceptRole);
        auto* discard = box.addButton("Do not save", QMessageBox::DestructiveRole);
        box.addButton("Cancel", QMessageBox::RejectRole);
        box.setDefaultButton(save);
        box.exec();
        if (box.clickedButton() == save) return Asking::Unsaved::save;
        return box.clickedButton() == discard ? Asking::Unsaved::discard : Asking::Unsaved::cancel;
    };
    a.tell_failure = [window](const QString& title, const QString& message) {
        QMessageBox(QMessageBox::NoIcon, title, message, QMessageBox::Ok, window).exec();
    };
    a.name = [window](const QString& title, const QString& proposed) {
        return QInputDialog::getText(window, title, "Name", QLineEdit::Normal, proposed).trimmed();
    };
    a.duplicate = [window](const QString& floor) { return ask_what_comes_along(window, floor); };
    return a;
}

}  // namespace yemvo::app
