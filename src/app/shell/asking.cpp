#include "app/shell/asking.h"

#include <QFileDialog>
#include <QMessageBox>
#include <QPushButton>

namespace yemvo::app {

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
    return a;
}

}  // namespace yemvo::app
